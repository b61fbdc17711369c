<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Drills\DrillShelf;
use ZigLane\App\Drills\Rounds;
use ZigLane\App\Drills\TrainerDesk;
use ZigLane\App\Logbook\Logbook;
use ZigLane\Core\Drills\Trainer\SessionPlan;

/**
 * What to practise next, from the logbook.
 */
final class TrainerController extends AbstractController
{
    private const MINUTES = [20, 40, 60];

    public function __construct(
        private readonly TrainerDesk $desk,
        private readonly DrillShelf $shelf,
        private readonly Rounds $rounds,
        private readonly Logbook $logbook,
    ) {}

    #[Route('/drills/trainer', name: 'drill_trainer', methods: ['GET'], priority: 1)]
    public function page(Request $request): Response
    {
        $players = $this->logbook->players();
        $asked = $request->query->getString('player');
        $player = \in_array($asked, $players, true) ? $asked : $players[0] ?? '';
        $minutes = $request->query->getInt('minutes', 40);
        $minutes = \in_array($minutes, self::MINUTES, true) ? $minutes : 40;
        $shots = $this->desk->shots($player);
        $drills = $this->shelf->all();
        $losses = $this->desk->losses($player, $shots, $drills);
        $done = array_map(static fn(array $best): int => $best['tests'], $this->rounds->bests());

        return $this->render('trainer.html.twig', [
            'players' => $players,
            'player' => $player,
            'minutes' => $minutes,
            'choices' => self::MINUTES,
            'shots' => \count($shots),
            'losses' => $losses,
            'parts' => SessionPlan::of($losses, $drills, $minutes, $done),
            'drills' => $drills,
        ], new Response(headers: ['Cache-Control' => 'no-store']));
    }
}
