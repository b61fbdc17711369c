<?php

declare(strict_types=1);

namespace ZigLane\App\Plan;

use Doctrine\DBAL\Connection;
use Symfony\Component\Messenger\MessageBusInterface;

/**
 * Hands those plans to the workers whose turn has come.
 */
final readonly class Turns
{
    public function __construct(private PlanLedger $ledger, private MessageBusInterface $bus, private Connection $database) {}

    public function handOut(): void
    {
        // The messages lie in the same database: either a plan is marked and handed over, or neither.
        $this->database->transactional(function (): void {
            foreach ($this->ledger->turns() as $plan) {
                $this->bus->dispatch(new PlanRack($plan));
            }
        });
    }
}
