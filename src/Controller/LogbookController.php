<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Logbook\Logbook;
use ZigLane\App\Logbook\LogbookFilter;
use ZigLane\App\Logbook\LogbookSums;
use ZigLane\App\View\AttemptRow;
use ZigLane\App\View\BandLabel;
use ZigLane\App\View\PercentageCharts;
use ZigLane\App\View\ShareRow;
use ZigLane\App\View\Units;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Logbook\Aspect;
use ZigLane\Core\Logbook\Spin;
use ZigLane\Core\Shots\ShotKind;

/**
 * The logbook: its sessions, its shots, and what they come to.
 */
#[Route('/logbook')]
final class LogbookController extends AbstractController
{
    /** Stops in the chart of errors. */
    private const STOPS = 300;

    public function __construct(private readonly Logbook $logbook, private readonly LogbookSums $sums) {}

    #[Route('', name: 'logbook', methods: ['GET'])]
    public function sessions(Request $request): Response
    {
        $deleted = $request->query->getBoolean('deleted');
        [$present, $gone] = $this->logbook->sessionCounts();
        $all = $deleted ? $gone : $present;
        $last = max(1, (int) ceil($all / Logbook::SESSIONS));
        $page = max(1, min($last, (int) $request->query->getString('page', '1')));

        return $this->shown('logbook.html.twig', [
            'sessions' => $this->logbook->sessions($page, $deleted),
            'all' => $all,
            'gone' => $gone,
            'page' => $page,
            'last' => $last,
            'deleted' => $deleted,
            'total' => new ShareRow('', $this->sums->sums(new LogbookFilter())),
            'just_deleted' => LogbookFilter::number($request->query, 'gone'),
        ]);
    }

    #[Route('/shots', name: 'logbook_shots', methods: ['GET'])]
    public function shots(Request $request): Response
    {
        $filter = LogbookFilter::of($request->query);
        $units = Units::of($request);
        $total = new ShareRow('', $this->sums->sums($filter));
        $last = max(1, (int) ceil($total->made->all / Logbook::PAGE));
        $page = max(1, min($last, (int) $request->query->getString('page', '1')));

        return $this->shown('logbook_shots.html.twig', $this->filtered($filter) + [
            'rows' => array_map(
                static fn(array $row): AttemptRow => new AttemptRow($row, $units),
                $this->logbook->attempts($filter, $page),
            ),
            'total' => $total,
            'page' => $page,
            'last' => $last,
            'just_deleted' => LogbookFilter::number($request->query, 'gone'),
        ]);
    }

    #[Route('/percentages', name: 'logbook_percentages', methods: ['GET'])]
    public function percentages(Request $request): Response
    {
        $filter = LogbookFilter::of($request->query);
        $units = Units::of($request);
        $aspect = Aspect::tryFrom($request->query->getString('by')) ?? Aspect::Cut;
        [$bands, $all] = $this->sums->sumsBy($filter, $aspect);
        $rows = [];
        foreach ($bands as $band => $some) {
            $rows[] = new ShareRow(BandLabel::of($aspect, $band, $units), $some);
        }

        return $this->shown('logbook_percentages.html.twig', $this->filtered($filter) + [
            'by' => $aspect,
            'aspects' => Aspect::cases(),
            'total' => new ShareRow('All of them', $all),
            'rows' => $rows,
            'charts' => new PercentageCharts(
                $this->sums->sumsByDay($filter),
                $this->sums->sumsByPromise($filter),
                $this->sums->stops($filter, self::STOPS),
                $units,
            ),
            'said' => $this->sums->said($filter),
        ]);
    }

    /**
     * @return array<string, mixed> what the filter's form needs
     */
    private function filtered(LogbookFilter $filter): array
    {
        return [
            'filter' => $filter,
            'players' => $this->logbook->players(),
            'pockets' => Pocket::cases(),
            'kinds' => ShotKind::cases(),
            'spins' => Spin::cases(),
            'session' => null === $filter->session ? null : $this->logbook->session($filter->session),
        ];
    }

    /** @param array<string, mixed> $with */
    private function shown(string $template, array $with): Response
    {
        return $this->render($template, $with, new Response(headers: ['Cache-Control' => 'no-store']));
    }
}
