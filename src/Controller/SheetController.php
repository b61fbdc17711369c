<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Generator\UrlGeneratorInterface;
use ZigLane\App\Drills\DrillShelf;
use ZigLane\App\Http\TooMany;
use ZigLane\App\Paces;
use ZigLane\App\Plan\PlanDesk;
use ZigLane\App\Rack\OpenRack;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\Reading\FindSecondWays;
use ZigLane\App\View\PlanView;
use ZigLane\App\View\Reader;
use ZigLane\App\View\SheetFigure;
use ZigLane\App\View\SheetWay;
use ZigLane\App\Work\TaskDesk;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Wording\ShotTitle;

/**
 * Sheets for the wall and the coach's folder: black on white, one to four layouts a page, printed by the browser.
 */
final class SheetController extends AbstractController
{
    private const PAPERS = ['a4', 'letter'];
    private const PER_PAGE = [1, 2, 4];

    /** Drills on one sheet. */
    private const MOST = 6;

    public function __construct(
        private readonly DrillShelf $shelf,
        private readonly RackStore $store,
        private readonly PlanDesk $plans,
        private readonly Paces $paces,
        private readonly TaskDesk $desk,
    ) {}

    #[Route('/drills/{slug}/sheet', name: 'drill_sheet', requirements: ['slug' => '[a-z0-9][a-z0-9-]{0,63}'], methods: ['GET'])]
    public function drill(Request $request, string $slug): Response
    {
        $drill = $this->found($slug);
        $player = Player::of(Level::League);
        $figures = [];
        foreach ($drill->stations as $station) {
            $figures[] = SheetFigure::ofStation($drill, $station, $drill->rack($station, $player), $this->paces->reader($request));
        }

        $address = $this->generateUrl('drill', ['slug' => $slug], UrlGeneratorInterface::ABSOLUTE_URL);

        return $this->sheet($request, $drill->name, $figures, $address);
    }

    /** The layout of a rack; with its legs, or with the shots of its latest plan. */
    #[Route('/racks/{id}/sheet', name: 'rack_sheet', requirements: ['id' => '[0-9]{1,9}'], methods: ['GET'])]
    public function rack(Request $request, int $id): Response
    {
        $open = $this->store->open($id);

        $rack = $this->asked($request, $open, $id);
        $second = $request->query->getBoolean('second');
        $ways = [];
        $waits = null;
        if ($second) {
            try {
                $answer = $this->desk->ask(FindSecondWays::class, [$rack->named('-')]);
            } catch (TooMany $e) {
                $head = ['Retry-After' => '3', 'Content-Type' => 'text/plain; charset=UTF-8'];

                return new Response($e->getMessage(), Response::HTTP_TOO_MANY_REQUESTS, $head);
            }
            $found = \is_array($answer->value) ? $answer->value : [];
            $ways = \is_array($found['ways'] ?? null) ? $found['ways'] : [];
            $of = \is_int($found['of'] ?? null) ? $found['of'] : 0;
            $waits = $answer->settled ? null : \sprintf('Looking for other ways: %d of %d shots …', \count($ways), $of);
        }

        return $this->sheet(
            $request,
            $open->rack->name,
            $this->figures($rack, $this->paces->reader($request), $ways),
            $this->generateUrl('rack', ['id' => $id], UrlGeneratorInterface::ABSOLUTE_URL),
            ['second' => $second, 'waits' => $waits],
        );
    }

    /** All drills of a session that the trainer put together. */
    #[Route('/drills/sheets', name: 'session_sheet', methods: ['GET'], priority: 1)]
    public function session(Request $request): Response
    {
        $player = Player::of(Level::League);
        $figures = [];
        foreach (\array_slice(array_unique(explode(',', $request->query->getString('of'))), 0, self::MOST) as $slug) {
            if (1 !== preg_match('/^[a-z0-9][a-z0-9-]{0,63}$/D', $slug)) {
                continue;
            }
            $drill = $this->found($slug);
            foreach ($drill->stations as $station) {
                $figures[] = SheetFigure::ofStation($drill, $station, $drill->rack($station, $player), $this->paces->reader($request));
            }
        }

        return $this->sheet($request, 'Practice', $figures, $this->generateUrl('drill_trainer', [], UrlGeneratorInterface::ABSOLUTE_URL));
    }

    /** Rings to cut out and lay on the cloth, to true size. */
    #[Route('/sheets/target', name: 'sheet_target', methods: ['GET'])]
    public function target(Request $request): Response
    {
        return $this->render('sheet_target.html.twig', ['paper' => self::paper($request), 'papers' => self::PAPERS]);
    }

    /** The rack, or the one with the shots of its latest plan as its legs. */
    private function asked(Request $request, OpenRack $open, int $id): Rack
    {
        if ('plan' !== $request->query->getString('of')) {
            return $open->rack;
        }
        $plan = $this->plans->latest($id);
        $shown = null === $plan ? null : new PlanView($open, $plan, []);

        return $shown->line ?? $open->rack;
    }

    /**
     * The rack, then each leg of its line.
     *
     * @param array<mixed> $ways another way and its name, by number of the leg, where there is one
     *
     * @return list<SheetFigure>
     */
    private function figures(Rack $rack, Reader $reader, array $ways): array
    {
        $figures = [SheetFigure::ofRack($rack, $rack->name, $reader)];
        foreach (LinePlayer::for($rack)->play($rack) as $leg) {
            if (null === $leg->before || !$leg->before->has(BallId::CUE)) {
                continue;
            }
            $before = $rack->withLayout($leg->before);
            [$other, $name] = \is_array($ways[$leg->number] ?? null) ? $ways[$leg->number] : [null, ''];
            $figures[] = SheetFigure::ofRack(
                $before,
                \sprintf('%d. %s', $leg->number, ShotTitle::of($leg->spec)),
                $reader,
                SheetWay::of($before, $leg->spec, $reader),
                $other instanceof ShotSpec && \is_string($name) ? SheetWay::of($before, $other, $reader, $name) : null,
            );
        }

        return $figures;
    }

    /**
     * @param list<SheetFigure>    $figures
     * @param array<string, mixed> $more    for the page
     */
    private function sheet(Request $request, string $title, array $figures, string $address, array $more = []): Response
    {
        $per = $request->query->getInt('per', 2);

        return $this->render('sheet.html.twig', $more + [
            'second' => null,
            'waits' => null,
            'title' => $title,
            'figures' => $figures,
            'address' => $address,
            'paper' => self::paper($request),
            'papers' => self::PAPERS,
            'per' => \in_array($per, self::PER_PAGE, true) ? $per : 2,
            'pers' => self::PER_PAGE,
        ], new Response(headers: ['Cache-Control' => 'no-store']));
    }

    private function found(string $slug): Drill
    {
        try {
            return $this->shelf->find($slug);
        } catch (InvalidInput $e) {
            throw $this->createNotFoundException($e->getMessage());
        }
    }

    private static function paper(Request $request): string
    {
        $paper = $request->query->getString('paper', 'a4');

        return \in_array($paper, self::PAPERS, true) ? $paper : 'a4';
    }
}
