<?php

declare(strict_types=1);

namespace ZigLane\App\Rack;

use Symfony\Contracts\Cache\CacheInterface;
use Symfony\Contracts\Cache\ItemInterface;
use ZigLane\Core\Line\LegOutcome;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Rack\Rack;

/**
 * The legs of a rack, played once for each of its states: playing nine legs takes twenty times as long as reading what came of it.
 */
final readonly class PlayedLines
{
    /** How long a line that nobody looks at is remembered, s. */
    private const REMEMBERED = 86400;

    public function __construct(private CacheInterface $cache) {}

    /**
     * @return list<LegOutcome>
     */
    public function play(Rack $rack): array
    {
        if ([] === $rack->legs) {
            return [];
        }

        return $this->cache->get('line-' . hash(
            'xxh128',
            RackStore::encode($rack->named('-')),
        ), static function (ItemInterface $item) use ($rack): array {
            $item->expiresAfter(self::REMEMBERED);

            return LinePlayer::for($rack)->play($rack);
        });
    }
}
