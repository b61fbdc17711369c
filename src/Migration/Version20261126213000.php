<?php

declare(strict_types=1);

namespace ZigLane\App\Migration;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * Each statement can be run again: MariaDB does not take changes of tables back, so a migration that is cut off is begun anew.
 */
final class Version20261126213000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Racks that a player is asked to choose at';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE IF NOT EXISTS posed_choice (id INT AUTO_INCREMENT NOT NULL, kind VARCHAR(8) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, player VARCHAR(80) NOT NULL, wish LONGTEXT NOT NULL, document MEDIUMTEXT NOT NULL, posed_at DATETIME NOT NULL, answer MEDIUMTEXT DEFAULT NULL, answered_at DATETIME DEFAULT NULL, INDEX posed_choice_list (player, answered_at), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 ENGINE = InnoDB',
        );
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE IF EXISTS posed_choice');
    }
}
