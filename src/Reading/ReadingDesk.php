<?php

declare(strict_types=1);

namespace ZigLane\App\Reading;

use Psr\Cache\CacheItemPoolInterface;
use Symfony\Component\DependencyInjection\ParameterBag\ContainerBagInterface;
use ZigLane\Core\Plan\LegOutcome;
use ZigLane\Core\Plan\LegPosition;
use ZigLane\Core\Plan\LinePlayer;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\TableReading;
use ZigLane\Core\Reading\Zone;
use ZigLane\Core\Reading\ZoneFinder;
use ZigLane\Core\Route\RouteSearch;
use ZigLane\Core\Table\Pocket;

/**
 * Readings on request. What was read is kept for an hour, and the last reading of a rack helps with the next.
 */
final readonly class ReadingDesk
{
    private const KEPT = 3600; // s

    /** Tries that a leg's chances rest on. */
    private const TRIES = 240;

    /** Every build of the application reads anew. */
    private string $build;

    public function __construct(private CacheItemPoolInterface $cache, ContainerBagInterface $parameters)
    {
        $build = $parameters->get('container.build_id');
        $this->build = \is_string($build) ? $build : '';
    }

    /** The rack as it lies where a leg begins, or as near to that as its line gets; 0 is the layout. */
    public function at(Rack $rack, int $leg): Rack
    {
        $layout = $rack->layout;
        foreach (\array_slice(LinePlayer::for($rack)->play($rack), 0, max(0, $leg)) as $outcome) {
            $layout = $outcome->before ?? $layout;
        }

        return $rack->withLayout($layout);
    }

    /** @param int $id of the stored rack */
    public function read(Rack $rack, int $id): TableReading
    {
        return $this->kept('table', $this->place($rack), function () use ($rack, $id): TableReading {
            $last = $this->cache->getItem($this->key('last', [$id, $this->equipment($rack)]));
            $before = $last->get();
            $reading = TableReading::of($rack, $rack->player, $before instanceof TableReading ? $before : null);
            $this->cache->save($last->set($reading)->expiresAfter(self::KEPT));

            return $reading;
        });
    }

    /** @param float $chance 0–1 */
    public function zone(Rack $rack, int $ball, Pocket $pocket, float $chance): Zone
    {
        return $this->kept('zone', [$this->place($rack), $ball, $pocket, $chance], static fn(): Zone => (new ZoneFinder($rack))->zone($ball, $pocket, $chance));
    }

    /** What a leg's cue ball makes of the zone of the next ball; null when the leg does not get that far. */
    public function position(Rack $rack, LegOutcome $leg, int $ball, Pocket $pocket, float $chance): ?LegPosition
    {
        $after = $leg->after();

        return null === $after ? null : $this->kept(
            'position',
            [$this->place($rack), $leg->before, $leg->spec, $ball, $pocket, $chance],
            static fn(): ?LegPosition => LegPosition::of($rack->withLayout($after), $leg, $ball, $pocket, $chance),
        );
    }

    /**
     * What a planned leg comes to when it is played with the player's errors; null for one that names no ball and pocket.
     *
     * @return array{pot: float, position: float, worth: float, scratch: float, touches: float, hooked: float, astray: float}|null
     */
    public function chances(Rack $rack, LegOutcome $leg): ?array
    {
        [$before, $shot, $ball, $pocket] = [$leg->before, $leg->shot, $leg->spec->ball, $leg->spec->pocket];
        if (null === $before || null === $shot || null === $ball || null === $pocket) {
            return null;
        }

        return $this->kept('chances', [$this->place($rack), $before, $leg->spec], static function () use ($rack, $before, $shot, $ball, $pocket): array {
            $search = new RouteSearch($rack->withLayout($before), $ball, $pocket);
            $search->outlook()->lookOn();

            return $search->chances($shot, self::TRIES);
        });
    }

    /**
     * @return list<mixed>
     */
    private function place(Rack $rack): array
    {
        return [...$this->equipment($rack), $rack->layout];
    }

    /**
     * @return list<mixed>
     */
    private function equipment(Rack $rack): array
    {
        return [$rack->table, $rack->cue, $rack->player, $rack->game, $rack->group];
    }

    /**
     * @template T
     *
     * @param mixed         $of   all that it depends on
     * @param callable(): T $make
     *
     * @return T
     */
    private function kept(string $what, mixed $of, callable $make): mixed
    {
        $item = $this->cache->getItem($this->key($what, $of));
        if (!$item->isHit()) {
            $this->cache->save($item->set($make())->expiresAfter(self::KEPT));
        }

        /** @var T */
        return $item->get();
    }

    private function key(string $what, mixed $of): string
    {
        return $what . hash('sha256', $this->build . serialize($of));
    }
}
