<?php

declare(strict_types=1);

namespace ZigLane\App\Migration;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * Each statement can be run again: MariaDB does not take changes of tables back, so a migration that is cut off is begun anew.
 */
final class Version20261126223000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Drills behind links';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE IF NOT EXISTS shared_drill (id INT AUTO_INCREMENT NOT NULL, slug VARCHAR(64) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, token VARCHAR(32) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, document MEDIUMTEXT NOT NULL, created_at DATETIME NOT NULL, until_at DATETIME NOT NULL, UNIQUE INDEX shared_drill_token (token), INDEX shared_of_drill (slug, id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 ENGINE = InnoDB',
        );
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE IF EXISTS shared_drill');
    }
}
