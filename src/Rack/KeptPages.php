<?php

declare(strict_types=1);

namespace ZigLane\App\Rack;

use Doctrine\DBAL\Connection;
use Symfony\Component\DependencyInjection\ParameterBag\ContainerBagInterface;
use Symfony\Contracts\Cache\CacheInterface;
use Symfony\Contracts\Cache\ItemInterface;
use ZigLane\App\View\Units;

/**
 * Pages of racks as they were drawn last. One is shown again as long as all that it is made from is the same: the build, the rack's
 * state, the profiles it can be given, the units.
 */
final readonly class KeptPages
{
    /** How long a page is kept, s: long enough for many who look at one rack, short enough not to fill the disk. */
    private const KEPT = 600;

    private string $build;

    public function __construct(private Connection $database, private CacheInterface $cache, ContainerBagInterface $parameters)
    {
        $build = $parameters->get('container.build_id');
        $this->build = \is_string($build) ? $build : '';
    }

    /**
     * @param int               $chosen leg that is looked at, 0 for the layout
     * @param callable(): string $draw
     */
    public function page(int $rack, int $chosen, Units $units, callable $draw): string
    {
        $state = $this->database->fetchNumeric(
            'SELECT r.version, r.present, MD5(v.document), (
                SELECT CONCAT_WS(",", COUNT(*), MAX(p.updated_at), MD5(GROUP_CONCAT(p.name ORDER BY p.id)))
                FROM profile p WHERE p.deleted_at IS NULL
             )
             FROM rack r JOIN rack_revision v ON v.rack_id = r.id AND v.number = r.present WHERE r.id = ? AND r.deleted_at IS NULL',
            [$rack],
        );
        if (false === $state) {
            return $draw();
        }
        $key = 'page-' . hash('xxh128', serialize([$this->build, $rack, $chosen, $units->value, ...$state]));

        return $this->cache->get($key, static function (ItemInterface $item) use ($draw): string {
            $item->expiresAfter(self::KEPT);

            return $draw();
        });
    }
}
