<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
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
    public function zone(
        int $id,
        #[MapQueryParameter]
        int $leg = 0,
        #[MapQueryParameter]
        int $ball = BallId::CUE,
        #[MapQueryParameter]
        string $pocket = '',
        #[MapQueryParameter]
        ?int $chance = null,
    ): Response {
        $rack = $this->rack($id, $leg);

        return $this->worked(function () use ($rack, $ball, $pocket, $chance): Answer {
            $pocket = Pocket::tryFrom($pocket) ?? throw new InvalidInput('pocket', 'is none of the six');
            if (BallId::CUE === $ball || !$rack->layout->has($ball)) {
                throw new InvalidInput('ball', "there is no $ball on the table");
            }
            $percent = $chance ?? (int) round(100 * Defaults::ZONE_CHANCE);
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
    public function from(
        int $id,
        #[MapQueryParameter]
        int $leg = 0,
        #[MapQueryParameter]
        string $x = '',
        #[MapQueryParameter]
        string $y = '',
    ): Response {
        $rack = $this->rack($id, $leg);

        return $this->worked(
            fn(): Answer => new Answer(self::place($rack, $x, $y), true),
            function (mixed $place) use ($rack): Response {
                \assert($place instanceof Point);

                return $this->render('from.html.twig', ['pots' => FromHere::of($rack, $place), 'place' => $place, 'rack' => $rack]);
            },
        );
    }

    /** Whether the cue ball can be brought there by the next pot. */
    #[Route('/reach', name: 'read_reach')]
    public function reach(
        int $id,
        #[MapQueryParameter]
        int $leg = 0,
        #[MapQueryParameter]
        string $x = '',
        #[MapQueryParameter]
        string $y = '',
    ): Response {
        $rack = $this->rack($id, $leg);

        return $this->worked(fn(): Answer => $this->desk->ask(
            FindWay::class,
            [$rack, self::place($rack, $x, $y)],
        ), function (mixed $reach): Response {
            \assert($reach instanceof ReachView);

            return $this->render('reach.html.twig', ['r' => $reach]);
        });
    }

    /** The chances of the legs, and how the chosen one lies to the next ball's zone. */
    #[Route('/position', name: 'read_position')]
    public function position(int $id, #[MapQueryParameter] int $leg = 0): Response
    {
        $rack = $this->store->open($id)->rack;

        return $this->worked(fn(): Answer => $this->desk->ask(
            JudgeLegs::class,
            [$rack->named('-'), $leg],
        ), function (mixed $position): Response {
            \assert($position instanceof PositionView);

            return $this->render('position.html.twig', ['p' => $position]);
        });
    }

    private function rack(int $id, int $leg): Rack
    {
        return $this->at->leg($this->store->open($id)->rack, $leg)->named('-');
    }

    /** @throws InvalidInput */
    private static function place(Rack $rack, string $x, string $y): Point
    {
        $along = filter_var($x, \FILTER_VALIDATE_FLOAT);
        $across = filter_var($y, \FILTER_VALIDATE_FLOAT);
        try {
            return (new Placement($rack->table))->inDiamonds(\is_float($along) ? $along : \NAN, \is_float($across) ? $across : \NAN);
        } catch (InvalidInput) {
            throw new InvalidInput('x, y', 'must be diamonds on the table, 0–8 and 0–4');
        }
    }
}
