<?php

declare(strict_types=1);

namespace ZigLane\App\Logbook;

use ZigLane\App\Settings;

/**
 * Names each state of the logbook: what was worked out from it holds as long as the name is the same.
 */
final readonly class LogbookEdition
{
    private const NAME = 'logbook-edition';

    public function __construct(private Settings $settings) {}

    /** The name of the present state; never used before or again. */
    public function name(): string
    {
        return $this->settings->read(self::NAME);
    }

    /** Something was changed. */
    public function next(): void
    {
        $this->settings->write(self::NAME, bin2hex(random_bytes(12)));
    }
}
