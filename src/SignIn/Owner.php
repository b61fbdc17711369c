<?php

declare(strict_types=1);

namespace ZigLane\App\SignIn;

use Symfony\Component\Security\Core\User\EquatableInterface;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\UserInterface;

/**
 * Who may use this copy of Zig Lane over the network: whoever knows its passphrase. It says nothing about who plays.
 */
final readonly class Owner implements UserInterface, PasswordAuthenticatedUserInterface, EquatableInterface
{
    public const NAME = 'owner';

    /**
     * @param string $hash  of the passphrase; '' when there is none
     * @param string $since changes when all devices are signed out
     */
    public function __construct(private string $hash, private string $since) {}

    public function getRoles(): array
    {
        return ['ROLE_OWNER'];
    }

    public function getUserIdentifier(): string
    {
        return self::NAME;
    }

    public function getPassword(): string
    {
        return $this->hash;
    }

    public function eraseCredentials(): void {}

    /** A session ends when the passphrase is set anew, or when all devices are signed out. */
    public function isEqualTo(UserInterface $user): bool
    {
        return $user instanceof self && '' !== $this->hash && $user->hash === $this->hash && $user->since === $this->since;
    }
}
