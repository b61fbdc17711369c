<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Breaks\FindBreak;
use ZigLane\App\Http\TooMany;
use ZigLane\App\Work\TaskDesk;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Player\Level;

/**
 * Which break to play: tried with the errors of a level by a worker, the best first, better and better.
 */
final class BreaksController extends AbstractController
{
    /** How a rack is racked, by the widest gap between its balls, m (our own choice). */
    private const GAPS = ['tight' => 0.0001, 'ordinary' => 0.0002, 'loose' => 0.001];

    public function __construct(private readonly TaskDesk $desk) {}

    /**
     * With a game in the query its breaks are tried, and shown as far as they are.
     */
    #[Route('/breaks', name: 'breaks', methods: ['GET'])]
    public function breaks(Request $request): Response
    {
        $query = $request->query;
        $asked = $query->has('game');
        $status = Response::HTTP_OK;
        $found = $problem = null;
        $settled = true;
        try {
            $game = GameName::tryFrom($query->getString('game', GameName::NineBall->value))
                ?? throw new InvalidInput('game', 'is none that is known');
            $level = Level::tryFrom($query->getString('level', Level::League->value))
                ?? throw new InvalidInput('level', 'is none that is known');
            $racked = $query->getString('racked', 'ordinary');
            $gap = self::GAPS[$racked] ?? throw new InvalidInput('racked', 'is none of ' . implode(', ', array_keys(self::GAPS)));
            if ($game->rules()->endsWithBreakShot()) {
                throw new InvalidInput('', 'Straight pool is opened by a break shot: plan a rack to its end to see it.');
            }
            if ($asked) {
                $answer = $this->desk->ask(FindBreak::class, [$game, $level, $gap]);
                [$found, $settled, $problem] = [$answer->value, $answer->settled, $answer->problem];
                $status = $settled ? Response::HTTP_OK : Response::HTTP_ACCEPTED;
            }
        } catch (InvalidInput $e) {
            $problem = ucfirst($e->getMessage());
            $status = Response::HTTP_UNPROCESSABLE_ENTITY;
        } catch (TooMany $e) {
            $problem = $e->getMessage();
            $status = Response::HTTP_TOO_MANY_REQUESTS;
        }
        $response = $this->render('breaks.html.twig', [
            'games' => array_filter(GameName::cases(), static fn(GameName $one): bool => !$one->rules()->endsWithBreakShot()),
            'game' => $game ?? GameName::NineBall,
            'level' => $level ?? Level::League,
            'gaps' => array_keys(self::GAPS),
            'racked' => $racked ?? 'ordinary',
            'asked' => $asked,
            'found' => $found,
            'settled' => $settled,
            'problem' => $problem,
            'number' => random_int(1, 9999),
        ], new Response(status: $status));
        $response->headers->set('Cache-Control', 'no-store');

        return $response;
    }
}
