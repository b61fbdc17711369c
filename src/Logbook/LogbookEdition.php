<?php

declare(strict_types=1);

namespace ZigLane\App\Logbook;

use Doctrine\DBAL\Connection;

/**
 * Names each state of the logbook: what was worked out from it holds as long as the name is the same.
 */
final readonly class LogbookEdition
{
    private const NAME = 'logbook-edition';

    public function __construct(private Connection $database) {}

    /** The name of the present state; never used before or again. */
    public function name(): string
    {
        $value = $this->database->fetchOne('SELECT value FROM setting WHERE name = ?', [self::NAME]);

        return \is_string($value) ? $value : '';
    }

    /** Something was changed. */
    public function next(): void
    {
        $this->database->executeStatement(
            'INSERT INTO setting (name, value) VALUES (?, ?) ON DUPLICATE KEY UPDATE value = VALUES(value)',
            [self::NAME, bin2hex(random_bytes(12))],
        );
    }
}
