<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route as At;
use ZigLane\App\Rack\OpenRack;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\Reading\FindRoutes;
use ZigLane\App\Reading\RackAt;
use ZigLane\App\Reading\RouteList;
use ZigLane\App\Reading\SpreadPlaces;
use ZigLane\App\View\RouteView;
use ZigLane\App\Work\Answer;
use ZigLane\App\Work\TaskDesk;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Routes\Style;

/**
 * Alternatives for a leg, and the places that its ball can send the cue ball to.
 */
#[At('/racks/{id}', requirements: ['id' => '[0-9]{1,9}'], methods: ['GET'])]
final class RouteController extends AbstractController
{
    use Worked;

    private const LIKES = ['spot', 'outside', 'cushions', 'drag', 'inside'];

    public function __construct(private readonly RackStore $store, private readonly TaskDesk $desk, private readonly RackAt $at) {}

    #[At('/routes', name: 'routes')]
    public function routes(int $id, #[MapQueryParameter] int $leg = 0, #[MapQueryParameter] string $style = ''): Response
    {
        $open = $this->store->open($id);
        $likes = explode(' ', $style);
        $style = new Style(
            ...array_combine(self::LIKES, array_map(static fn(string $l): bool => \in_array($l, $likes, true), self::LIKES)),
        );

        return $this->worked(fn(): Answer => $this->desk->ask(
            FindRoutes::class,
            [...$this->asked($open, $leg), $id],
        ), function (mixed $list) use ($open, $leg, $style): Response {
            \assert($list instanceof RouteList);
            [$rack] = $this->asked($open, $leg);
            [$chosen, $cost] = [] === $list->routes ? [null, 0.0] : $style->choose($list->routes);

            return $this->render('routes.html.twig', [
                'routes' => RouteView::all($list->routes, $rack, $chosen, $cost),
                'settled' => $list->settled,
                'played' => $list->played,
                'seconds' => $list->seconds,
                'leg' => $leg,
                'id' => $open->record->id(),
                'version' => $open->record->version(),
            ]);
        });
    }

    /** Every place the cue ball can be sent to, with what it is worth there. */
    #[At('/spread', name: 'spread')]
    public function spread(int $id, #[MapQueryParameter] int $leg = 0): Response
    {
        $open = $this->store->open($id);

        return $this->worked(
            fn(): Answer => $this->desk->ask(SpreadPlaces::class, $this->asked($open, $leg)),
            fn(mixed $spread): Response => $this->render('spread.html.twig', (\is_array($spread) ? $spread : []) + ['leg' => $leg]),
        );
    }

    /**
     * @return array{Rack, int, Pocket} the rack where the leg begins, and what the leg is about
     *
     * @throws InvalidInput
     */
    private function asked(OpenRack $open, int $leg): array
    {
        $spec = $open->rack->legs[$leg - 1] ?? null;
        if (!$spec instanceof ShotSpec) {
            throw new InvalidInput('leg', "there is no leg $leg");
        }
        if (null === $spec->ball || null === $spec->pocket) {
            throw new InvalidInput('leg', "leg $leg names no ball and pocket");
        }
        $rack = $this->at->leg($open->rack, $leg)->named('-');
        if (!$rack->layout->has($spec->ball)) {
            throw new InvalidInput('leg', "leg $leg is not reached");
        }

        return [$rack, $spec->ball, $spec->pocket];
    }
}
