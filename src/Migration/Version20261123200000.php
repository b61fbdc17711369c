<?php

declare(strict_types=1);

namespace ZigLane\App\Migration;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261123200000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Racks, their revisions, settings';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE IF NOT EXISTS rack (id INT AUTO_INCREMENT NOT NULL, name VARCHAR(120) NOT NULL, present INT NOT NULL, version INT DEFAULT 1 NOT NULL, created_at DATETIME NOT NULL, updated_at DATETIME NOT NULL, deleted_at DATETIME DEFAULT NULL, INDEX rack_list (deleted_at, updated_at), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 ENGINE = InnoDB',
        );
        $this->addSql(
            'CREATE TABLE IF NOT EXISTS rack_revision (id INT AUTO_INCREMENT NOT NULL, rack_id INT NOT NULL, number INT NOT NULL, label VARCHAR(160) NOT NULL, document MEDIUMTEXT NOT NULL, created_at DATETIME NOT NULL, UNIQUE INDEX rack_revision_number (rack_id, number), PRIMARY KEY (id), CONSTRAINT rack_revision_rack FOREIGN KEY (rack_id) REFERENCES rack (id) ON DELETE CASCADE) DEFAULT CHARACTER SET utf8mb4 ENGINE = InnoDB',
        );
        $this->addSql(
            'CREATE TABLE IF NOT EXISTS setting (name VARCHAR(60) NOT NULL, value VARCHAR(200) NOT NULL, PRIMARY KEY (name)) DEFAULT CHARACTER SET utf8mb4 ENGINE = InnoDB',
        );
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE IF EXISTS rack_revision');
        $this->addSql('DROP TABLE IF EXISTS rack');
        $this->addSql('DROP TABLE IF EXISTS setting');
    }
}
