<?php

declare(strict_types=1);

namespace ZigLane\App\Upkeep;

use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/**
 * A store of things that have their time, so that nothing grows without bound.
 */
#[AutoconfigureTag]
interface Perishable
{
    /**
     * Removes what has had its time.
     *
     * @return int how many
     */
    public function purge(\DateTimeImmutable $now): int;
}
