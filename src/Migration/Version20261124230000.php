<?php

declare(strict_types=1);

namespace ZigLane\App\Migration;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261124230000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Plans, which are also the queue of the workers';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE IF NOT EXISTS plan (id INT AUTO_INCREMENT NOT NULL, rack_id INT NOT NULL, same_as VARCHAR(64) NOT NULL, state VARCHAR(10) NOT NULL, document MEDIUMTEXT NOT NULL, pins MEDIUMTEXT NOT NULL, budget DOUBLE PRECISION NOT NULL, result MEDIUMTEXT DEFAULT NULL, problem VARCHAR(300) DEFAULT NULL, stop_asked TINYINT(1) NOT NULL, attempts INT NOT NULL, worker VARCHAR(40) DEFAULT NULL, seconds DOUBLE PRECISION NOT NULL, created_at DATETIME NOT NULL, INDEX IDX_DD5A5B7D8E86A33E (rack_id), INDEX plan_of_rack (rack_id, id), INDEX plan_queue (state, id), INDEX plan_same (rack_id, same_as), PRIMARY KEY (id), CONSTRAINT plan_rack FOREIGN KEY (rack_id) REFERENCES rack (id) ON DELETE CASCADE) DEFAULT CHARACTER SET utf8mb4 ENGINE = InnoDB',
        );
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE IF EXISTS plan');
    }
}
