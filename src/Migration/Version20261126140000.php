<?php

declare(strict_types=1);

namespace ZigLane\App\Migration;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * Each statement can be run again: MariaDB does not take changes of tables back, so a migration that is cut off is begun anew.
 */
final class Version20261126140000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The logbook: sessions and attempts; files that workers read in; plans shared by a link';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE IF NOT EXISTS play_session (id INT AUTO_INCREMENT NOT NULL, entry_key VARCHAR(64) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, began_at DATETIME NOT NULL, kind VARCHAR(10) NOT NULL, player VARCHAR(80) NOT NULL, place VARCHAR(80) NOT NULL, opponent VARCHAR(80) NOT NULL, notes LONGTEXT NOT NULL, made_up TINYINT(1) NOT NULL, deleted_at DATETIME DEFAULT NULL, UNIQUE INDEX session_key (entry_key), INDEX session_list (deleted_at, began_at), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 ENGINE = InnoDB',
        );
        $this->addSql(
            'CREATE TABLE IF NOT EXISTS attempt (id INT AUTO_INCREMENT NOT NULL, session_id INT NOT NULL, entry_key VARCHAR(64) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, run_key VARCHAR(64) CHARACTER SET ascii DEFAULT NULL COLLATE `ascii_bin`, edition INT NOT NULL, played_at DATETIME NOT NULL, game VARCHAR(20) NOT NULL, ball INT DEFAULT NULL, pocket VARCHAR(12) DEFAULT NULL, kind VARCHAR(12) NOT NULL, spin VARCHAR(20) NOT NULL, made TINYINT(1) NOT NULL, missed VARCHAR(10) DEFAULT NULL, scratched TINYINT(1) NOT NULL, in_position TINYINT(1) DEFAULT NULL, cut DOUBLE PRECISION DEFAULT NULL, distance DOUBLE PRECISION DEFAULT NULL, lengths DOUBLE PRECISION DEFAULT NULL, rails INT DEFAULT NULL, overrun DOUBLE PRECISION DEFAULT NULL, aside DOUBLE PRECISION DEFAULT NULL, promised_pot DOUBLE PRECISION DEFAULT NULL, promised_position DOUBLE PRECISION DEFAULT NULL, said DOUBLE PRECISION DEFAULT NULL, deleted_at DATETIME DEFAULT NULL, UNIQUE INDEX attempt_key (entry_key), INDEX attempt_list (deleted_at, played_at, id), INDEX attempt_run (run_key), INDEX attempt_session (session_id, deleted_at, played_at), INDEX IDX_18EC0266613FECDF (session_id), PRIMARY KEY (id), CONSTRAINT FK_18EC0266613FECDF FOREIGN KEY (session_id) REFERENCES play_session (id) ON DELETE CASCADE) DEFAULT CHARACTER SET utf8mb4 ENGINE = InnoDB',
        );
        $this->addSql(
            'CREATE TABLE IF NOT EXISTS attempt_document (attempt_id INT NOT NULL, document MEDIUMTEXT NOT NULL, PRIMARY KEY (attempt_id), CONSTRAINT FK_ATTEMPT_DOCUMENT FOREIGN KEY (attempt_id) REFERENCES attempt (id) ON DELETE CASCADE) DEFAULT CHARACTER SET utf8mb4 ENGINE = InnoDB',
        );
        $this->addSql(
            'CREATE TABLE IF NOT EXISTS shared_plan (id INT AUTO_INCREMENT NOT NULL, rack_id INT NOT NULL, token VARCHAR(32) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, document MEDIUMTEXT NOT NULL, result MEDIUMTEXT NOT NULL, created_at DATETIME NOT NULL, until DATETIME NOT NULL, UNIQUE INDEX shared_token (token), INDEX shared_of_rack (rack_id, id), INDEX IDX_67AC30E58E86A33E (rack_id), PRIMARY KEY (id), CONSTRAINT FK_67AC30E58E86A33E FOREIGN KEY (rack_id) REFERENCES rack (id) ON DELETE CASCADE) DEFAULT CHARACTER SET utf8mb4 ENGINE = InnoDB',
        );
        $this->addSql(
            'CREATE TABLE IF NOT EXISTS upload (id VARCHAR(32) CHARACTER SET ascii NOT NULL COLLATE `ascii_bin`, name VARCHAR(160) NOT NULL, text MEDIUMTEXT NOT NULL, created_at DATETIME NOT NULL, PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 ENGINE = InnoDB',
        );
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE IF EXISTS upload');
        $this->addSql('DROP TABLE IF EXISTS shared_plan');
        $this->addSql('DROP TABLE IF EXISTS attempt_document');
        $this->addSql('DROP TABLE IF EXISTS attempt');
        $this->addSql('DROP TABLE IF EXISTS play_session');
    }
}
