<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Generator\UrlGeneratorInterface;
use ZigLane\App\Drills\DrillShelf;
use ZigLane\App\Paces;
use ZigLane\App\Plan\PlanDesk;
use ZigLane\App\Rack\OpenRack;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\View\PlanView;
use ZigLane\App\View\SheetFigure;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
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

        return $this->sheet(
            $request,
            $open->rack->name,
            $this->figures($request, $open, $id),
            $this->generateUrl('rack', ['id' => $id], UrlGeneratorInterface::ABSOLUTE_URL),
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

    /** @return list<SheetFigure> */
    private function figures(Request $request, OpenRack $open, int $id): array
    {
        $reader = $this->paces->reader($request);
        $rack = $open->rack;
        if ('plan' === $request->query->getString('of')) {
            $plan = $this->plans->latest($id);
            $shown = null === $plan ? null : new PlanView($open, $plan, []);
            $rack = $shown->line ?? $rack;
        }
        $figures = [SheetFigure::ofRack($rack, $rack->layout, null, $rack->name, $reader)];
        foreach (LinePlayer::for($rack)->play($rack) as $leg) {
            if (null !== $leg->before) {
                $title = \sprintf('%d. %s', $leg->number, ShotTitle::of($leg->spec));
                $figures[] = SheetFigure::ofRack($rack, $leg->before, $leg->spec, $title, $reader);
            }
        }

        return $figures;
    }

    /** @param list<SheetFigure> $figures */
    private function sheet(Request $request, string $title, array $figures, string $address): Response
    {
        $per = $request->query->getInt('per', 2);

        return $this->render('sheet.html.twig', [
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
