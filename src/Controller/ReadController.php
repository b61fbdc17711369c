<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\Reading\FindWay;
use ZigLane\App\Reading\FindZone;
use ZigLane\App\Reading\JudgeLegs;
use ZigLane\App\Reading\RackAt;
use ZigLane\App\View\PositionView;
use ZigLane\App\View\ReachView;
use ZigLane\App\View\ZoneDrawing;
use ZigLane\App\Work\Answer;
use ZigLane\App\Work\TaskDesk;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Placement;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\FromHere;
use ZigLane\Core\Reading\Zone;
use ZigLane\Core\Settings\Defaults;

/**
 * What the table page asks for while a table is read: parts that it puts into the drawing and beside it.
 */
#[Route('/racks/{id}', requirements: ['id' => '[0-9]{1,9}'], methods: ['GET'])]
final class ReadController extends AbstractController
{
    use Worked;

    public function __construct(private readonly RackStore $store, private readonly TaskDesk $desk, private readonly RackAt $at) {}

    #[Route('/zone', name: 'read_zone')]
    public function zone(Request $request, int $id): Response
    {
        $rack = $this->rack($request, $id);

        return $this->worked(function () use ($request, $rack): Answer {
            $ball = $request->query->getInt('ball');
            $pocket = Pocket::tryFrom($request->query->getString('pocket')) ?? throw new InvalidInput('pocket', 'is none of the six');
            if (BallId::CUE === $ball || !$rack->layout->has($ball)) {
                throw new InvalidInput('ball', "there is no $ball on the table");
            }
            $percent = $request->query->getInt('chance', (int) round(100 * Defaults::ZONE_CHANCE));
            if ($percent < 5 || $percent > 95) {
                throw new InvalidInput('chance', "$percent is outside 5–95 %");
            }

            return $this->desk->ask(FindZone::class, [$rack, $ball, $pocket, $percent / 100]);
        }, function (mixed $zone) use ($rack): Response {
            \assert($zone instanceof Zone);

            return $this->render('zone.html.twig', ['z' => new ZoneDrawing($zone, $rack->table->size)]);
        });
    }

    /** Chances from one place of the cue ball: quick enough to be worked out here. */
    #[Route('/from', name: 'read_from')]
    public function from(Request $request, int $id): Response
    {
        $rack = $this->rack($request, $id);

        return $this->worked(
            fn(): Answer => new Answer($this->place($request, $rack), true),
            function (mixed $place) use ($rack): Response {
                \assert($place instanceof Point);

                return $this->render('from.html.twig', ['pots' => FromHere::of($rack, $place), 'place' => $place, 'rack' => $rack]);
            },
        );
    }

    /** Whether the cue ball can be brought there by the next pot. */
    #[Route('/reach', name: 'read_reach')]
    public function reach(Request $request, int $id): Response
    {
        $rack = $this->rack($request, $id);

        return $this->worked(fn(): Answer => $this->desk->ask(
            FindWay::class,
            [$rack, $this->place($request, $rack)],
        ), function (mixed $reach): Response {
            \assert($reach instanceof ReachView);

            return $this->render('reach.html.twig', ['r' => $reach]);
        });
    }

    /** The chances of the legs, and how the chosen one lies to the next ball's zone. */
    #[Route('/position', name: 'read_position')]
    public function position(Request $request, int $id): Response
    {
        $rack = $this->store->open($id)->rack;

        return $this->worked(fn(): Answer => $this->desk->ask(
            JudgeLegs::class,
            [$rack->named('-'), $request->query->getInt('leg')],
        ), function (mixed $position): Response {
            \assert($position instanceof PositionView);

            return $this->render('position.html.twig', ['p' => $position]);
        });
    }

    private function rack(Request $request, int $id): Rack
    {
        return $this->at->leg($this->store->open($id)->rack, $request->query->getInt('leg'))->named('-');
    }

    /** @throws InvalidInput */
    private function place(Request $request, Rack $rack): Point
    {
        $x = filter_var($request->query->getString('x'), \FILTER_VALIDATE_FLOAT);
        $y = filter_var($request->query->getString('y'), \FILTER_VALIDATE_FLOAT);
        try {
            return (new Placement($rack->table))->inDiamonds(\is_float($x) ? $x : \NAN, \is_float($y) ? $y : \NAN);
        } catch (InvalidInput) {
            throw new InvalidInput('x, y', 'must be diamonds on the table, 0–8 and 0–4');
        }
    }
}
