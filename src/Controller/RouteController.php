<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\Routing\Attribute\Route as At;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\Reading\ReadingDesk;
use ZigLane\App\View\RouteView;
use ZigLane\App\View\Svg;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Reading\TroubleKind;
use ZigLane\Core\Route\Breakout;
use ZigLane\Core\Route\Route;
use ZigLane\Core\Route\RouteSearch;
use ZigLane\Core\Route\Style;
use ZigLane\Core\Speed\TableLengths;
use ZigLane\Core\Table\Pocket;

/**
 * Alternatives for a leg: streamed as they become known, and the places that its ball can send the cue ball to.
 */
#[At('/racks/{id}', requirements: ['id' => '\d{1,9}'], methods: ['GET'])]
final class RouteController extends AbstractController
{
    /** Trouble that a cue ball can help with. */
    private const WORTH_MOVING = [TroubleKind::Stuck, TroubleKind::Cluster, TroubleKind::Frozen, TroubleKind::ByRail];

    /** Between two lists in the stream. */
    public const NEXT = "<!--next-->\n";

    public function __construct(private readonly RackStore $store, private readonly ReadingDesk $desk) {}

    #[At('/routes', name: 'routes')]
    public function routes(Request $request, int $id): Response
    {
        try {
            [$rack, $ball, $pocket, $leg, $version] = $this->asked($request, $id);
        } catch (InvalidInput $e) {
            return new Response($e->getMessage(), Response::HTTP_UNPROCESSABLE_ENTITY, ['Content-Type' => 'text/plain; charset=UTF-8']);
        }
        $likes = explode(' ', $request->query->getString('style'));
        $style = new Style(...array_combine(['spot', 'outside', 'cushions', 'drag', 'inside'], array_map(static fn(string $l): bool => \in_array($l, $likes, true), ['spot', 'outside', 'cushions', 'drag', 'inside'])));

        return new StreamedResponse(function () use ($rack, $ball, $pocket, $leg, $id, $version, $style): void {
            $began = microtime(true);
            $search = new RouteSearch($rack, $ball, $pocket);
            foreach ($this->lists($search, $rack, $ball, $pocket, $id) as [$list, $settled]) {
                [$chosen, $cost] = [] === $list ? [null, 0.0] : $style->choose($list);
                echo $this->renderView('routes.html.twig', [
                    'routes' => RouteView::all($list, $rack, $chosen, $cost),
                    'settled' => $settled,
                    'played' => $search->played,
                    'seconds' => microtime(true) - $began,
                    'leg' => $leg,
                    'id' => $id,
                    'version' => $version,
                ]) . self::NEXT;
                if (ob_get_level() > 0) {
                    ob_flush();
                }
                flush();
                if (connection_aborted()) {
                    return;
                }
            }
        }, 200, ['Content-Type' => 'text/html; charset=UTF-8', 'Cache-Control' => 'no-store', 'X-Accel-Buffering' => 'no']);
    }

    /**
     * The search's lists; after them, where balls are in trouble, one more with routes that move one of them on purpose.
     *
     * @return \Generator<int, array{list<Route>, bool}> routes, and whether they are settled
     */
    private function lists(RouteSearch $search, Rack $rack, int $ball, Pocket $pocket, int $id): \Generator
    {
        $list = [];
        foreach ($search->routes() as $list) {
            yield [$list, [] !== $list && RouteSearch::MANY === $list[0]->tries];
        }
        $wanted = [];
        foreach ($this->desk->read($rack, $id)->troubles as $trouble) {
            if (\in_array($trouble->kind, self::WORTH_MOVING, true)) {
                $wanted = [...$wanted, ...$trouble->balls];
            }
        }
        $wanted = array_values(array_diff(array_unique($wanted), [$ball]));
        if ([] !== $wanted || [] === $list) {
            yield [[...$list, ...(new Breakout($rack, $ball, $pocket))->routes($search, $wanted)], true];
        }
    }

    /** Every place the cue ball can be sent to, with what it is worth there. */
    #[At('/spread', name: 'spread')]
    public function spread(Request $request, int $id): Response
    {
        try {
            [$rack, $ball, $pocket, $leg] = $this->asked($request, $id);
        } catch (InvalidInput $e) {
            return new Response($e->getMessage(), Response::HTTP_UNPROCESSABLE_ENTITY, ['Content-Type' => 'text/plain; charset=UTF-8']);
        }
        $lengths = new TableLengths($rack->simulator());
        $places = $ladders = [];
        foreach ((new RouteSearch($rack, $ball, $pocket))->spread() as $place) {
            $long = $lengths->ofSpeed($place['speed']);
            $tip = "{$place['tip']->side} {$place['tip']->height}";
            $ladders[$tip] = (isset($ladders[$tip]) ? "{$ladders[$tip]}L" : 'M') . Svg::point($place['stop']);
            $places[] = [
                'x' => Svg::mm($place['stop']->x),
                'y' => Svg::mm($place['stop']->y),
                'worth' => $place['worth'],
                'side' => $place['tip']->side,
                'height' => $place['tip']->height,
                'lengths' => round($long, 2),
                'words' => \sprintf('%s, %.1f lengths: next %.0f %%', $place['tip']->clock(), $long, 100 * $place['worth']),
            ];
        }

        return $this->render('spread.html.twig', ['places' => $places, 'ladders' => $ladders, 'leg' => $leg], new Response(headers: ['Cache-Control' => 'no-store']));
    }

    /**
     * @return array{Rack, int, Pocket, int, int} with the version that was read
     *
     * @throws InvalidInput
     */
    private function asked(Request $request, int $id): array
    {
        $open = $this->store->find($id) ?? throw $this->createNotFoundException("There is no rack $id.");
        $leg = $request->query->getInt('leg');
        $spec = $open->rack->legs[$leg - 1] ?? null;
        if (!$spec instanceof ShotSpec) {
            throw new InvalidInput('leg', "there is no leg $leg");
        }
        if (null === $spec->ball || null === $spec->pocket) {
            throw new InvalidInput('leg', "leg $leg names no ball and pocket");
        }
        $rack = $this->desk->at($open->rack, $leg);
        if (!$rack->layout->has($spec->ball) || !$rack->layout->has(0)) {
            throw new InvalidInput('leg', "leg $leg is not reached");
        }

        return [$rack, $spec->ball, $spec->pocket, $leg, $open->record->version()];
    }
}
