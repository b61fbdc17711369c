<?php

declare(strict_types=1);

namespace ZigLane\App\Migration;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * Each statement can be run again: MariaDB does not take changes of tables back, so a migration that is cut off is begun anew.
 */
final class Version20261126200000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Pictures that racks are laid out from';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE IF NOT EXISTS table_photo (rack_id INT NOT NULL, picture MEDIUMBLOB NOT NULL, kept TINYINT(1) NOT NULL, created_at DATETIME NOT NULL, PRIMARY KEY (rack_id), CONSTRAINT FK_TABLE_PHOTO_RACK FOREIGN KEY (rack_id) REFERENCES rack (id) ON DELETE CASCADE) DEFAULT CHARACTER SET utf8mb4 ENGINE = InnoDB',
        );
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE IF EXISTS table_photo');
    }
}
