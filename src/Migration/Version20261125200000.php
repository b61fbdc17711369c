<?php

declare(strict_types=1);

namespace ZigLane\App\Migration;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * A plan is thought about until every shot is searched for: no seconds to think are kept.
 */
final class Version20261125200000 extends AbstractMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE plan DROP COLUMN IF EXISTS budget');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE plan ADD COLUMN IF NOT EXISTS budget DOUBLE PRECISION NOT NULL DEFAULT 15');
    }
}
