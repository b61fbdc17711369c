<?php

declare(strict_types=1);

namespace ZigLane\App;

use Doctrine\DBAL\Connection;

/**
 * Facts about this installation, by name; each write takes the place of the last.
 */
final readonly class Settings
{
    public function __construct(private Connection $database) {}

    /** '' where it was never written. */
    public function read(string $name): string
    {
        $value = $this->database->fetchOne('SELECT value FROM setting WHERE name = ?', [$name]);

        return \is_string($value) ? $value : '';
    }

    /** @param string $value of at most 200 characters */
    public function write(string $name, string $value): void
    {
        $this->database->executeStatement(
            'INSERT INTO setting (name, value) VALUES (?, ?) ON DUPLICATE KEY UPDATE value = VALUES(value)',
            [$name, $value],
        );
    }
}
