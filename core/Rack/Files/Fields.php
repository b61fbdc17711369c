<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack\Files;

use ZigLane\Core\InvalidInput;

/**
 * One object of a decoded JSON document, asked for its keys by name; every fault is named with its path.
 *
 * @internal
 */
final class Fields
{
    /** @var array<string, mixed> */
    private array $values;

    /** @var array<string, true> */
    private array $asked = [];

    /**
     * @throws InvalidInput when the value is not an object
     */
    public function __construct(mixed $value, private readonly string $path)
    {
        if (!$value instanceof \stdClass) {
            throw new InvalidInput($path, 'must be an object');
        }
        $this->values = [];
        foreach (get_object_vars($value) as $key => $item) {
            $this->values[(string) $key] = $item;
        }
    }

    /** Path of a key, as messages name it. */
    public function path(string $key): string
    {
        return '' === $this->path ? $key : $this->path . '.' . $key;
    }

    /** Whether a key is there. */
    public function has(string $key): bool
    {
        return \array_key_exists($key, $this->values);
    }

    /** The value of a key as it stands; null when it is missing. */
    public function raw(string $key): mixed
    {
        $this->asked[$key] = true;

        return $this->values[$key] ?? null;
    }

    /**
     * @return list<string>
     */
    public function keys(): array
    {
        return array_map(strval(...), array_keys($this->values));
    }

    /** @throws InvalidInput */
    public function object(string $key): self
    {
        return new self($this->raw($key) ?? new \stdClass(), $this->path($key));
    }

    /** @throws InvalidInput */
    public function text(string $key, ?string $default = null, int $longest = 200): string
    {
        $value = $this->raw($key) ?? $default;
        if (null === $value) {
            throw new InvalidInput($this->path($key), 'is missing');
        }
        if (!\is_string($value)) {
            throw new InvalidInput($this->path($key), 'must be text');
        }
        if (mb_strlen($value) > $longest) {
            throw new InvalidInput($this->path($key), \sprintf('has %d characters (limit %d)', mb_strlen($value), $longest));
        }

        return $value;
    }

    /** @throws InvalidInput */
    public function number(string $key, ?float $default, float $low, float $high, string $unit = ''): float
    {
        return self::finite($this->raw($key) ?? $default, $this->path($key), $low, $high, $unit);
    }

    /** @throws InvalidInput */
    public function whole(string $key, int $default, int $low, int $high): int
    {
        $value = $this->number($key, $default, $low, $high);
        if (floor($value) !== $value) {
            throw new InvalidInput($this->path($key), 'must be a whole number');
        }

        return (int) $value;
    }

    /** @throws InvalidInput */
    public function flag(string $key, bool $default): bool
    {
        $value = $this->raw($key) ?? $default;
        if (!\is_bool($value)) {
            throw new InvalidInput($this->path($key), 'must be true or false');
        }

        return $value;
    }

    /**
     * @template T of \BackedEnum
     *
     * @param class-string<T> $enum
     *
     * @return T
     *
     * @throws InvalidInput
     */
    public function choice(string $key, string $enum, ?string $default = null): \BackedEnum
    {
        $value = $this->text($key, $default);
        $case = $enum::tryFrom($value);
        if (null === $case) {
            $known = implode(', ', array_map(static fn(\BackedEnum $c): string => (string) $c->value, $enum::cases()));
            throw new InvalidInput($this->path($key), \sprintf('"%s" is not one of %s', mb_strimwidth($value, 0, 40, '…'), $known));
        }

        return $case;
    }

    /**
     * @return array<string, mixed> what nobody asked for
     */
    public function unknown(): array
    {
        return array_diff_key($this->values, $this->asked);
    }

    /** @throws InvalidInput unless the value is a finite number from low to high */
    public static function finite(mixed $value, string $path, float $low, float $high, string $unit = ''): float
    {
        if (null === $value) {
            throw new InvalidInput($path, 'is missing');
        }
        if (!\is_int($value) && !\is_float($value)) {
            throw new InvalidInput($path, 'must be a number');
        }
        if (!is_finite((float) $value)) {
            throw new InvalidInput($path, 'must be a finite number');
        }
        if ($value < $low || $value > $high) {
            throw new InvalidInput(
                $path,
                rtrim(\sprintf('%s is outside %s–%s %s', self::show((float) $value), self::show($low), self::show($high), $unit)),
            );
        }

        return (float) $value;
    }

    /** A number as short as it can be said. */
    public static function show(float $value): string
    {
        return (string) round($value, 4);
    }
}
