<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * A plan that can be read by whoever has its link, until it is taken back or its time is over.
 */
#[ORM\Entity]
#[ORM\Table(name: 'shared_plan')]
#[ORM\UniqueConstraint(name: 'shared_token', columns: ['token'])]
#[ORM\Index(name: 'shared_of_rack', columns: ['rack_id', 'id'])]
class SharedPlan
{
    use DocumentOfRack;

    /** What nobody guesses: 32 hexadecimal digits. */
    #[ORM\Column(type: Types::STRING, length: 32, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
    private string $token;

    #[ORM\Column(type: Types::TEXT, length: 16777215)]
    private string $result;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE)]
    private \DateTimeImmutable $until;

    public function __construct(PlanRecord $plan, string $result, \DateTimeImmutable $now, \DateTimeImmutable $until)
    {
        $this->rack = $plan->rack();
        $this->token = bin2hex(random_bytes(16));
        $this->document = $plan->document();
        $this->result = $result;
        $this->createdAt = $now;
        $this->until = $until;
    }

    public function token(): string
    {
        return $this->token;
    }

    public function result(): string
    {
        return $this->result;
    }

    public function until(): \DateTimeImmutable
    {
        return $this->until;
    }
}
