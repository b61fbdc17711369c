<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\Reading\ReadingDesk;
use ZigLane\App\View\PositionView;
use ZigLane\App\View\ReachView;
use ZigLane\App\View\ZoneDrawing;
use ZigLane\Core\Ball\BallId;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Plan\LinePlayer;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\FromHere;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Core\Table\Pocket;
use ZigLane\Core\Table\Point;

/**
 * What the table page asks for while a table is read: parts that it puts into the drawing and beside it.
 */
#[Route('/racks/{id}', requirements: ['id' => '\d{1,9}'], methods: ['GET'])]
final class ReadController extends AbstractController
{
    public function __construct(private readonly RackStore $store, private readonly ReadingDesk $desk) {}

    #[Route('/zone', name: 'read_zone')]
    public function zone(Request $request, int $id): Response
    {
        return $this->answer(function () use ($request, $id): Response {
            $rack = $this->rack($request, $id);
            $ball = $request->query->getInt('ball');
            $pocket = Pocket::tryFrom($request->query->getString('pocket')) ?? throw new InvalidInput('pocket', 'is none of the six');
            if (BallId::CUE === $ball || !$rack->layout->has($ball)) {
                throw new InvalidInput('ball', "there is no $ball on the table");
            }
            $percent = $request->query->getInt('chance', (int) round(100 * Defaults::ZONE_CHANCE));
            if ($percent < 5 || $percent > 95) {
                throw new InvalidInput('chance', "$percent is outside 5–95 %");
            }
            $zone = $this->desk->zone($rack, $ball, $pocket, $percent / 100);

            return $this->render('zone.html.twig', ['z' => new ZoneDrawing($zone, $rack->table->size)]);
        });
    }

    /** Chances from one place of the cue ball. */
    #[Route('/from', name: 'read_from')]
    public function from(Request $request, int $id): Response
    {
        return $this->answer(function () use ($request, $id): Response {
            $rack = $this->rack($request, $id);
            $place = $this->place($request, $rack);

            return $this->render('from.html.twig', ['pots' => FromHere::of($rack, $place), 'place' => $place, 'rack' => $rack]);
        });
    }

    /** Whether the cue ball can be brought there by the next pot. */
    #[Route('/reach', name: 'read_reach')]
    public function reach(Request $request, int $id): Response
    {
        return $this->answer(function () use ($request, $id): Response {
            $rack = $this->rack($request, $id);

            return $this->render('reach.html.twig', ['r' => ReachView::of($rack, $this->place($request, $rack))]);
        });
    }

    /** The chances of the legs, and how the chosen one lies to the next ball's zone. */
    #[Route('/position', name: 'read_position')]
    public function position(Request $request, int $id): Response
    {
        return $this->answer(function () use ($request, $id): Response {
            $open = $this->store->find($id) ?? throw $this->createNotFoundException("There is no rack $id.");
            $legs = LinePlayer::for($open->rack)->play($open->rack);

            return $this->render('position.html.twig', ['p' => PositionView::of($open->rack, $legs, $request->query->getInt('leg'), $this->desk)]);
        });
    }

    private function rack(Request $request, int $id): Rack
    {
        $open = $this->store->find($id) ?? throw $this->createNotFoundException("There is no rack $id.");

        return $this->desk->at($open->rack, $request->query->getInt('leg'));
    }

    /** @throws InvalidInput */
    private function place(Request $request, Rack $rack): Point
    {
        $x = filter_var($request->query->getString('x'), \FILTER_VALIDATE_FLOAT);
        $y = filter_var($request->query->getString('y'), \FILTER_VALIDATE_FLOAT);
        if (!\is_float($x) || !\is_float($y) || $x < 0 || $x > 8 || $y < 0 || $y > 4) {
            throw new InvalidInput('x, y', 'must be diamonds on the table, 0–8 and 0–4');
        }

        return Point::fromDiamonds($x, $y, $rack->table->size);
    }

    /**
     * @param callable(): Response $make
     */
    private function answer(callable $make): Response
    {
        try {
            $response = $make();
        } catch (InvalidInput $e) {
            $response = new Response($e->getMessage(), Response::HTTP_UNPROCESSABLE_ENTITY, ['Content-Type' => 'text/plain; charset=UTF-8']);
        }
        $response->headers->set('Cache-Control', 'no-store');

        return $response;
    }
}
