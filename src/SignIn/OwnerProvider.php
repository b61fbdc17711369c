<?php

declare(strict_types=1);

namespace ZigLane\App\SignIn;

use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Core\User\UserInterface;
use Symfony\Component\Security\Core\User\UserProviderInterface;

/**
 * @implements UserProviderInterface<Owner>
 */
final readonly class OwnerProvider implements UserProviderInterface
{
    public function __construct(private Passphrase $passphrase) {}

    public function refreshUser(UserInterface $user): UserInterface
    {
        return $this->loadUserByIdentifier($user->getUserIdentifier());
    }

    public function supportsClass(string $class): bool
    {
        return Owner::class === $class;
    }

    public function loadUserByIdentifier(string $identifier): UserInterface
    {
        $owner = $this->passphrase->owner();
        if (Owner::NAME !== $identifier || '' === $owner->getPassword()) {
            throw new UserNotFoundException('No passphrase has been set.');
        }

        return $owner;
    }
}
