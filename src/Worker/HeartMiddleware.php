<?php

declare(strict_types=1);

namespace ZigLane\App\Worker;

use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\Middleware\MiddlewareInterface;
use Symfony\Component\Messenger\Middleware\StackInterface;
use Symfony\Component\Messenger\Stamp\ReceivedStamp;
use Symfony\Component\Messenger\Stamp\TransportMessageIdStamp;

/**
 * The heart beats while a message from the database is handled.
 */
final readonly class HeartMiddleware implements MiddlewareInterface
{
    public function __construct(private Heart $heart) {}

    public function handle(Envelope $envelope, StackInterface $stack): Envelope
    {
        $id = $envelope->last(TransportMessageIdStamp::class)?->getId();
        if (null === $envelope->last(ReceivedStamp::class) || !\is_scalar($id)) {
            return $stack->next()->handle($envelope, $stack);
        }
        $this->heart->hold((string) $id);
        try {
            return $stack->next()->handle($envelope, $stack);
        } finally {
            $this->heart->release();
        }
    }
}
