<?php

declare(strict_types=1);

namespace ZigLane\Core\Aiming;

/**
 * The aim solver found no direct shot; the message says why, in a player's words.
 */
final class AimRefused extends \RuntimeException
{
    public function __construct(public readonly RefusalReason $reason, string $message)
    {
        parent::__construct($message);
    }
}
