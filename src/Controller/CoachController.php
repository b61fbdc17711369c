<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Choice\ChoiceStore;
use ZigLane\App\Coach\Assignments;
use ZigLane\App\Coach\CoachDesk;
use ZigLane\App\Coach\NewAssignment;
use ZigLane\App\Drills\DrillShelf;
use ZigLane\App\Http\CsvRow;
use ZigLane\App\Rack\RackStore;
use ZigLane\Core\Choice\ChoiceProgress;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\InvalidInput;

/**
 * The coach's view: who did what lately, what is set, and what came of it.
 *
 * @phpstan-import-type Set from Assignments
 */
#[Route('/coach')]
final class CoachController extends AbstractController
{
    /** So many of those that were ended are shown. */
    private const ENDED = 20;

    public function __construct(
        private readonly CoachDesk $desk,
        private readonly Assignments $assignments,
        private readonly DrillShelf $shelf,
        private readonly RackStore $racks,
        private readonly ChoiceStore $choices,
        private readonly ClockInterface $clock,
    ) {}

    #[Route('', name: 'coach', methods: ['GET'])]
    public function page(Request $request): Response
    {
        return $this->show($request);
    }

    /** Sets something; what is wrong with the form is said on the page. */
    #[Route('/assign', name: 'coach_assign', methods: ['POST'])]
    public function assign(Request $request): Response
    {
        try {
            $new = NewAssignment::read($request->request);
            if (null !== $new->drill) {
                $this->shelf->find($new->drill);
            } elseif (null !== $new->rack) {
                $this->racks->record($new->rack);
            }
            $this->assignments->add($new);
        } catch (InvalidInput $e) {
            return $this->show($request, ucfirst($e->getMessage()));
        }
        $back = $request->request->getString('back');

        return $this->redirectToRoute('coach', '' === $back ? [] : ['player' => $back], Response::HTTP_SEE_OTHER);
    }

    #[Route('/assignments/{id}/close', name: 'coach_close', requirements: ['id' => '[0-9]{1,9}'], methods: ['POST'])]
    public function close(Request $request, int $id): Response
    {
        $this->assignments->close($id, true);
        $back = $request->request->getString('back');

        return $this->redirectToRoute('coach', ['ended' => $id] + ('' === $back ? [] : ['player' => $back]), Response::HTTP_SEE_OTHER);
    }

    #[Route('/assignments/{id}/open', name: 'coach_open', requirements: ['id' => '[0-9]{1,9}'], methods: ['POST'])]
    public function open(Request $request, int $id): Response
    {
        $this->assignments->close($id, false);
        $back = $request->request->getString('back');

        return $this->redirectToRoute('coach', '' === $back ? [] : ['player' => $back], Response::HTTP_SEE_OTHER);
    }

    /** Everything that was set, with what came of it: a row for each result, or one without. */
    #[Route('/results.csv', name: 'coach_results', methods: ['GET'])]
    public function results(Request $request): Response
    {
        $asked = $request->query->getString('player');
        $drills = $this->shelf->all();
        $text = CsvRow::of(['player', 'what', 'note', 'due', 'set', 'ended', 'result at', 'test', 'score', 'of', 'made', 'shots']);
        foreach ([false, true] as $closed) {
            foreach ($this->assignments->all('' === $asked ? null : $asked, $closed) as $set) {
                $drill = null === $set['drill'] ? null : $drills[$set['drill']] ?? null;
                $begins = [$set['player'], $this->what($set, $drill), $set['note'], $set['due'], $set['assigned'], $set['closed']];
                foreach ($set['results'] as $r) {
                    $counted = [$r['score'], $drill?->most(), $r['made'], $r['shots']];
                    $text .= CsvRow::of([...$begins, $r['at'], $r['test'] ? 'yes' : 'no', ...$counted]);
                }
                $text .= [] === $set['results'] ? CsvRow::of([...$begins, '', '', null, null, null, null]) : '';
            }
        }

        return new Response($text, headers: [
            'Content-Type' => 'text/csv; charset=UTF-8',
            'Content-Disposition' => 'attachment; filename="results.csv"',
            'Cache-Control' => 'no-store',
        ]);
    }

    /** @param Set $set */
    private function what(array $set, ?Drill $drill): string
    {
        return null === $set['rack'] ? $drill->name ?? (string) $set['drill'] : $set['rackName'] ?? 'a rack that is gone';
    }

    private function show(Request $request, ?string $problem = null): Response
    {
        $players = $this->desk->players();
        $asked = $request->query->getString('player') ?: $request->request->getString('back');
        $player = \in_array($asked, $players, true) ? $asked : null;
        $drills = $this->shelf->all();
        $made = null === $player ? null : $this->choices->of($player);
        $ended = $request->query->getInt('ended');

        return $this->render('coach.html.twig', [
            'players' => $players,
            'player' => $player,
            'lately' => $this->desk->lately($this->clock->now()),
            'open' => $this->assignments->all($player),
            'closed' => \array_slice($this->assignments->all($player, true), 0, self::ENDED),
            'drills' => $drills,
            'racks' => $this->racks->page(),
            'sessions' => null === $player ? [] : $this->desk->sessions($player),
            'rounds' => null === $player ? [] : $this->desk->rounds($player),
            'choices' => null === $made ? null : new ChoiceProgress(array_values($made['worths']), array_values($made['named'])),
            'today' => $this->clock->now()->format('Y-m-d'),
            'ended' => $ended > 0 ? $ended : null,
            'problem' => $problem,
            'given' => $request->request,
        ], new Response(
            status: null === $problem ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY,
            headers: ['Cache-Control' => 'no-store'],
        ));
    }
}
