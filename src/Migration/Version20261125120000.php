<?php

declare(strict_types=1);

namespace ZigLane\App\Migration;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * Each statement can be run again: MariaDB does not take changes of tables back, so a migration that is cut off is begun anew.
 */
final class Version20261125120000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Messages and tasks for the workers, turns between visitors, small drawings, profile names used once';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE IF NOT EXISTS message (id BIGINT AUTO_INCREMENT NOT NULL, body LONGTEXT NOT NULL, headers LONGTEXT NOT NULL, queue_name VARCHAR(190) NOT NULL, created_at DATETIME NOT NULL, available_at DATETIME NOT NULL, delivered_at DATETIME DEFAULT NULL, INDEX IDX_B6BD307FFB7336F0E3BD61CE16BA31DBBF396750 (queue_name, available_at, delivered_at, id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 ENGINE = InnoDB',
        );
        $this->addSql(
            'CREATE TABLE IF NOT EXISTS task (id CHAR(64) NOT NULL, kind VARCHAR(20) NOT NULL, question MEDIUMBLOB NOT NULL, state VARCHAR(10) NOT NULL, answer MEDIUMBLOB DEFAULT NULL, problem VARCHAR(300) DEFAULT NULL, visitor VARCHAR(64) NOT NULL, worker VARCHAR(40) DEFAULT NULL, crashes INT NOT NULL, asked_at DOUBLE PRECISION NOT NULL, INDEX task_age (asked_at), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 ENGINE = InnoDB',
        );
        $this->addSql('ALTER TABLE rack_revision ADD COLUMN IF NOT EXISTS drawing MEDIUMTEXT DEFAULT NULL');
        $this->addSql('ALTER TABLE profile ADD COLUMN IF NOT EXISTS taken VARCHAR(80) DEFAULT NULL');
        // Of those that have one name the oldest keeps it; the others get their number behind it.
        $this->addSql(
            "UPDATE profile p JOIN profile o ON o.kind = p.kind AND o.name = p.name AND o.deleted_at IS NULL AND o.id < p.id SET p.name = CONCAT(LEFT(p.name, 68), ' #', p.id) WHERE p.deleted_at IS NULL",
        );
        $this->addSql('UPDATE profile SET taken = IF(deleted_at IS NULL, name, NULL)');
        $this->addSql('CREATE UNIQUE INDEX IF NOT EXISTS profile_name ON profile (kind, taken)');
        $this->addSql(
            "ALTER TABLE plan ADD COLUMN IF NOT EXISTS crashes INT DEFAULT 0 NOT NULL, ADD COLUMN IF NOT EXISTS visitor VARCHAR(64) DEFAULT '' NOT NULL, DROP COLUMN IF EXISTS attempts, DROP COLUMN IF EXISTS stop_asked",
        );
        $this->addSql('ALTER TABLE plan ALTER COLUMN crashes DROP DEFAULT, ALTER COLUMN visitor DROP DEFAULT');
        $this->addSql('DROP INDEX IF EXISTS plan_queue ON plan');
        $this->addSql('CREATE INDEX IF NOT EXISTS plan_queue ON plan (state, visitor, id)');
        // What was under way is asked for again: its turn is given out by the next look.
        $this->addSql("UPDATE plan SET state = 'waiting', worker = NULL WHERE state IN ('queued', 'running')");
        $this->addSql("INSERT IGNORE INTO setting (name, value) VALUES ('turns', 'locked while turns are given out')");
    }

    public function down(Schema $schema): void
    {
        $this->addSql("UPDATE plan SET state = 'queued' WHERE state = 'waiting'");
        $this->addSql(
            'ALTER TABLE plan ADD COLUMN IF NOT EXISTS attempts INT DEFAULT 0 NOT NULL, ADD COLUMN IF NOT EXISTS stop_asked TINYINT(1) DEFAULT 0 NOT NULL, DROP INDEX IF EXISTS plan_queue',
        );
        $this->addSql(
            'ALTER TABLE plan DROP COLUMN IF EXISTS visitor, DROP COLUMN IF EXISTS crashes, ADD INDEX IF NOT EXISTS plan_queue (state, id)',
        );
        $this->addSql('ALTER TABLE profile DROP INDEX IF EXISTS profile_name, DROP COLUMN IF EXISTS taken');
        $this->addSql('ALTER TABLE rack_revision DROP COLUMN IF EXISTS drawing');
        $this->addSql('DROP TABLE IF EXISTS task');
        $this->addSql('DROP TABLE IF EXISTS message');
        $this->addSql("DELETE FROM setting WHERE name = 'turns'");
    }
}
