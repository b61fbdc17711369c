<?php

declare(strict_types=1);

namespace ZigLane\App\Migration;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * Each statement can be run again: MariaDB does not take changes of tables back, so a migration that is cut off is begun anew.
 */
final class Version20261126220000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What a coach sets a player';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE IF NOT EXISTS assignment (id INT AUTO_INCREMENT NOT NULL, player VARCHAR(80) NOT NULL, drill VARCHAR(64) CHARACTER SET ascii DEFAULT NULL COLLATE `ascii_bin`, rack_id INT DEFAULT NULL, note LONGTEXT NOT NULL, due DATE DEFAULT NULL, assigned_at DATETIME NOT NULL, closed_at DATETIME DEFAULT NULL, INDEX assignment_list (closed_at, player), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 ENGINE = InnoDB',
        );
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE IF EXISTS assignment');
    }
}
