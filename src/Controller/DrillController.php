<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Drills\DrillShelf;
use ZigLane\App\Drills\Rounds;
use ZigLane\App\Logbook\Logbook;
use ZigLane\App\Paces;
use ZigLane\App\Profile\ProfileKind;
use ZigLane\App\Profile\ProfileStore;
use ZigLane\App\View\DrillDrawing;
use ZigLane\App\View\DrillTries;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\Files\DrillFile;
use ZigLane\Core\Drills\Progress;
use ZigLane\Core\InvalidInput;

/**
 * One drill: what it is, what was scored, and the page that goes to the table with it.
 */
#[Route('/drills/{slug}', requirements: ['slug' => '[a-z0-9][a-z0-9-]{0,63}'])]
final class DrillController extends AbstractController
{
    public function __construct(
        private readonly DrillShelf $shelf,
        private readonly Rounds $rounds,
        private readonly Logbook $logbook,
        private readonly ProfileStore $profiles,
        private readonly Paces $paces,
    ) {}

    #[Route('', name: 'drill', methods: ['GET'])]
    public function page(Request $request, string $slug): Response
    {
        try {
            $drill = $this->shelf->find($slug);
        } catch (InvalidInput $e) {
            return $this->damaged($slug, $e);
        }
        $step = $this->step($request, $drill);
        $shown = $drill->at($step);
        $players = $this->rounds->players();
        $player = $request->query->getString('player');
        $player = \in_array($player, $players, true) ? $player : null;
        $rounds = $this->rounds->of($slug, $player);
        $tests = array_filter(
            array_reverse($rounds),
            static fn(array $round): bool => (bool) $round['test'] && $round['step'] === $drill->steps[$step]->name,
        );
        $scores = array_map(static fn(array $round): int => is_numeric($round['score']) ? (int) $round['score'] : 0, array_values($tests));

        return $this->render('drill.html.twig', [
            'slug' => $slug,
            'drill' => $drill,
            'step' => $step,
            'own' => $this->shelf->isOwn($slug),
            'drawings' => array_map(static fn($station) => new DrillDrawing($shown, $station), $shown->stations),
            'rounds' => $rounds,
            'players' => $players,
            'player' => $player,
            'progress' => new Progress($scores),
        ], new Response(headers: ['Cache-Control' => 'no-store']));
    }

    /** The page that works at the table, also without a connection. */
    #[Route('/go', name: 'drill_go', methods: ['GET'])]
    public function go(Request $request, string $slug): Response
    {
        try {
            $drill = $this->shelf->find($slug);
        } catch (InvalidInput $e) {
            return $this->damaged($slug, $e);
        }
        $step = $this->step($request, $drill);
        $tables = array_map(static fn($profile): string => $profile->name(), $this->profiles->all(ProfileKind::Table));
        $players = array_map(static fn($profile): string => $profile->name(), $this->profiles->all(ProfileKind::Player));

        return $this->render('drill_go.html.twig', [
            'slug' => $slug,
            'drill' => $drill,
            'step' => $step,
            'test' => 'test' === $request->query->getString('mode'),
            'tries' => DrillTries::of($drill->at($step), random_int(1, 1_000_000), $this->paces->scale()),
            'players' => array_values(array_unique([...$this->logbook->players(), ...$players, ...$this->rounds->players()])),
            'tables' => $tables,
            'for' => mb_strimwidth(mb_scrub($request->query->getString('for')), 0, 80),
        ], new Response(headers: ['Cache-Control' => 'no-store']));
    }

    #[Route('/file', name: 'drill_file', methods: ['GET'])]
    public function export(string $slug): Response
    {
        try {
            $text = json_encode(
                DrillFile::write($this->shelf->find($slug)),
                \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
            );
        } catch (InvalidInput $e) {
            return $this->damaged($slug, $e);
        }

        return new Response("$text\n", headers: [
            'Content-Type' => 'application/json',
            'Content-Disposition' => "attachment; filename=\"$slug.json\"",
        ]);
    }

    /** Deletes a drill of one's own; it can be put back for some time. */
    #[Route('/delete', name: 'drill_delete', methods: ['POST'])]
    public function delete(string $slug): Response
    {
        $this->shelf->delete($slug, true);

        return $this->redirectToRoute('drills', ['gone' => $slug], Response::HTTP_SEE_OTHER);
    }

    #[Route('/restore', name: 'drill_restore', methods: ['POST'])]
    public function restore(string $slug): Response
    {
        $this->shelf->delete($slug, false);

        return $this->redirectToRoute('drill', ['slug' => $slug], Response::HTTP_SEE_OTHER);
    }

    #[Route('/rounds/{round}/delete', name: 'drill_round_delete', requirements: ['round' => '[0-9]{1,9}'], methods: ['POST'])]
    public function forget(string $slug, int $round): Response
    {
        $this->rounds->drop($round);

        return $this->redirectToRoute('drill', ['slug' => $slug], Response::HTTP_SEE_OTHER);
    }

    private function step(Request $request, Drill $drill): int
    {
        $asked = $request->query->getInt('step', -1);

        return isset($drill->steps[$asked]) ? $asked : $drill->usualStep();
    }

    private function damaged(string $slug, InvalidInput $why): Response
    {
        $page = ['slug' => $slug, 'why' => $why->getMessage()];

        return $this->render('drill_damaged.html.twig', $page, new Response(status: Response::HTTP_UNPROCESSABLE_ENTITY));
    }
}
