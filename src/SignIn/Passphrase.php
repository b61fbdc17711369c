<?php

declare(strict_types=1);

namespace ZigLane\App\SignIn;

use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;
use ZigLane\App\Settings;
use ZigLane\Core\InvalidInput;

/**
 * The passphrase of this copy, kept as a hash.
 */
final readonly class Passphrase
{
    private const HASH = 'passphrase';
    private const SINCE = 'signed-in-since';

    /** Characters at least, and at most. */
    public const LEAST = 10;
    public const MOST = 200;

    /** Letters that are not taken for others when they are typed from a screen, and how many groups of four. */
    private const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';
    private const GROUPS = 4;

    public function __construct(private Settings $settings, private PasswordHasherFactoryInterface $hashers) {}

    public function owner(): Owner
    {
        return new Owner($this->settings->read(self::HASH), $this->settings->read(self::SINCE));
    }

    public function isSet(): bool
    {
        return '' !== $this->settings->read(self::HASH);
    }

    /**
     * Sets it anew; every device is signed out.
     *
     * @throws InvalidInput when it is too short or too long
     */
    public function set(string $passphrase): void
    {
        $long = mb_strlen($passphrase);
        if ($long < self::LEAST || $long > self::MOST) {
            throw new InvalidInput('passphrase', \sprintf('must have %d to %d characters', self::LEAST, self::MOST));
        }
        $this->settings->write(self::HASH, $this->hashers->getPasswordHasher(Owner::class)->hash($passphrase));
        $this->signOutAll();
    }

    /** One that nobody guesses: 4 groups of 4 of 31 letters, 79 bits. */
    public static function made(): string
    {
        $groups = [];
        for ($n = 0; $n < self::GROUPS; ++$n) {
            $group = '';
            while (\strlen($group) < 4) {
                $group .= self::LETTERS[random_int(0, \strlen(self::LETTERS) - 1)];
            }
            $groups[] = $group;
        }

        return implode('-', $groups);
    }

    /** Ends every session. */
    public function signOutAll(): void
    {
        $this->settings->write(self::SINCE, bin2hex(random_bytes(8)));
    }
}
