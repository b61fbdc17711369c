<?php

declare(strict_types=1);

namespace ZigLane\App\Coach;

use Symfony\Component\HttpFoundation\InputBag;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\Session;

/**
 * What a coach sets, as the form has it.
 */
final readonly class NewAssignment
{
    /** Characters of a note; players at once. */
    public const NOTE = 500;
    private const MOST = 40;

    /**
     * @param non-empty-list<string> $players
     * @param string|null            $drill  name in addresses
     * @param int|null               $rack   its number
     * @param string|null            $due    YYYY-MM-DD
     */
    private function __construct(
        public array $players,
        public ?string $drill,
        public ?int $rack,
        public string $note,
        public ?string $due,
    ) {}

    /**
     * @param InputBag<string> $form
     *
     * @throws InvalidInput that names the field
     */
    public static function read(InputBag $form): self
    {
        $given = $form->all();
        $clean = static fn(mixed $text): string => \is_string($text) ? trim(str_replace("\0", '', mb_scrub($text))) : '';
        $names = \is_array($given['players'] ?? null) ? array_map($clean, array_values($given['players'])) : [];
        $names = [...$names, $clean($given['player'] ?? null)];
        $names = array_values(array_unique(array_filter($names, static fn(string $name): bool => '' !== $name)));
        if ([] === $names) {
            throw new InvalidInput('players', 'is empty: choose a player, or write a name');
        }
        if (\count($names) > self::MOST) {
            throw new InvalidInput('players', \sprintf('has %d names (limit %d)', \count($names), self::MOST));
        }
        foreach ($names as $name) {
            if (mb_strlen($name) > Session::NAME) {
                throw new InvalidInput('player', \sprintf('has %d characters (limit %d)', mb_strlen($name), Session::NAME));
            }
        }
        $note = $clean($given['note'] ?? null);
        if (mb_strlen($note) > self::NOTE) {
            throw new InvalidInput('note', \sprintf('has %d characters (limit %d)', mb_strlen($note), self::NOTE));
        }
        [$drill, $rack] = self::what($clean($given['what'] ?? null));

        return new self($names, $drill, $rack, $note, self::day($clean($given['due'] ?? null)));
    }

    /**
     * @return array{string|null, int|null}
     *
     * @throws InvalidInput
     */
    private static function what(string $what): array
    {
        return match (true) {
            1 === preg_match('/^drill:([a-z0-9][a-z0-9-]{0,63})$/D', $what, $found) => [$found[1], null],
            1 === preg_match('/^rack:([0-9]{1,9})$/D', $what, $found) => [null, (int) $found[1]],
            default => throw new InvalidInput('what', 'is empty: choose a drill or a rack'),
        };
    }

    /** @throws InvalidInput */
    private static function day(string $day): ?string
    {
        if ('' === $day) {
            return null;
        }
        $read = \DateTimeImmutable::createFromFormat('!Y-m-d', $day);
        if (false === $read || $read->format('Y-m-d') !== $day || $read->format('Y') < '2000') {
            throw new InvalidInput('due', 'is no day: write it as 2026-12-31');
        }

        return $day;
    }
}
