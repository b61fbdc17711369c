<?php

declare(strict_types=1);

namespace ZigLane\App\Migration;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * Each statement can be run again: MariaDB does not take changes of tables back, so a migration that is cut off is begun anew.
 */
final class Version20261126210000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Drills of one’s own, and rounds of drills';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE IF NOT EXISTS own_drill (slug VARCHAR(64) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, document MEDIUMTEXT NOT NULL, created_at DATETIME NOT NULL, deleted_at DATETIME DEFAULT NULL, PRIMARY KEY (slug)) DEFAULT CHARACTER SET utf8mb4 ENGINE = InnoDB',
        );
        $this->addSql(
            'CREATE TABLE IF NOT EXISTS drill_round (id INT AUTO_INCREMENT NOT NULL, entry_key VARCHAR(64) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, drill VARCHAR(64) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, step VARCHAR(60) NOT NULL, test TINYINT(1) NOT NULL, player VARCHAR(80) NOT NULL, place VARCHAR(80) NOT NULL, played_at DATETIME NOT NULL, score INT NOT NULL, points LONGTEXT NOT NULL, repeats INT NOT NULL, UNIQUE INDEX drill_round_key (entry_key), INDEX drill_round_list (drill, player, played_at), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 ENGINE = InnoDB',
        );
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE IF EXISTS drill_round');
        $this->addSql('DROP TABLE IF EXISTS own_drill');
    }
}
