<?php

declare(strict_types=1);

namespace ZigLane\App\SignIn;

use Psr\Cache\CacheItemPoolInterface;
use Symfony\Component\Clock\ClockInterface;

/**
 * Holds guessing up: after a few wrong passphrases from an address, or many from all, there is a pause, longer each time.
 */
final readonly class Attempts
{
    /** Wrong ones before the first pause: from one address, from all. */
    private const FREE = 5;
    private const FREE_TO_ALL = 50;

    /** The first pause and the longest, s; what is remembered of wrong ones, s. */
    private const PAUSE = 15;
    private const LONGEST = 900;
    private const REMEMBERED = 3600;

    private const ALL = 'all';

    public function __construct(private CacheItemPoolInterface $cache, private ClockInterface $clock) {}

    /** Seconds until the next try is listened to; 0 for now. */
    public function wait(string $address): int
    {
        return max(0, max($this->until($address), $this->until(self::ALL)) - $this->clock->now()->getTimestamp());
    }

    public function wrong(string $address): void
    {
        foreach ([$address => self::FREE, self::ALL => self::FREE_TO_ALL] as $who => $free) {
            $item = $this->cache->getItem(self::key($who));
            $known = $item->get();
            $many = 1 + (\is_array($known) && \is_int($known[0] ?? null) ? $known[0] : 0);
            $pause = $many < $free ? 0 : min(self::LONGEST, self::PAUSE * 2 ** min(10, $many - $free));
            $item->set([$many, $this->clock->now()->getTimestamp() + $pause])->expiresAfter(self::REMEMBERED);
            $this->cache->save($item);
        }
    }

    public function right(string $address): void
    {
        $this->cache->deleteItem(self::key($address));
    }

    private function until(string $who): int
    {
        $known = $this->cache->getItem(self::key($who))->get();

        return \is_array($known) && \is_int($known[1] ?? null) ? $known[1] : 0;
    }

    private static function key(string $who): string
    {
        return 'sign-in-' . hash('xxh128', $who);
    }
}
