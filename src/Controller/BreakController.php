<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Rack\RackEditor;
use ZigLane\App\View\PlanView;
use ZigLane\App\View\SpreadOfBreak;
use ZigLane\App\View\Units;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Planning\BreakShot;

/**
 * The break shot that a plan of straight pool ends with, and the rack that it leaves.
 */
#[Route('/racks/{id}/plans/{plan}/break', requirements: ['id' => '[0-9]{1,9}', 'plan' => '[0-9]{1,9}'])]
final class BreakController extends WorkspaceController
{
    /** The highest number of a try. */
    private const MOST = 9999;

    #[Route('', name: 'plan_break', methods: ['GET'])]
    public function show(Request $request, int $id, int $plan): Response
    {
        return $this->page($request, $id, $plan);
    }

    /** A new rack, as a try of the break shot leaves it; the same number again leaves the same. */
    #[Route('', name: 'plan_next_rack', methods: ['POST'])]
    public function next(Request $request, int $id, int $plan): Response
    {
        $number = $request->request->get('number');
        if (!is_numeric($number) || (int) $number < 1 || (int) $number > self::MOST) {
            return $this->page($request, $id, $plan, \sprintf('The number of the try must be from 1 to %d.', self::MOST));
        }
        [, $break] = $this->known($id, $plan);
        try {
            $next = $break->next((int) $number);
            if (null === $next) {
                return $this->page($request, $id, $plan, 'None of a hundred tries from there drops the ball.');
            }
            [$rack, $try] = $next;
            $record = $this->store->create(
                $rack->named(RackEditor::name(mb_strimwidth($rack->name, 0, 90, '…') . ", next rack, try $try")),
                'next rack',
            );
        } catch (InvalidInput $e) {
            return $this->page($request, $id, $plan, $e->problem);
        }

        return $this->redirectToRoute('rack', ['id' => $record->id(), 'plan' => 0], Response::HTTP_SEE_OTHER);
    }

    private function page(Request $request, int $id, int $plan, ?string $problem = null): Response
    {
        [$view, $break] = $this->known($id, $plan);

        return $this->render('break.html.twig', [
            'w' => $this->builder->build($view->open, 1, Units::of($request), $break->rack),
            'id' => $id,
            'view' => $view,
            'break' => $break,
            'spread' => new SpreadOfBreak($break),
            'units' => Units::of($request),
            'number' => random_int(1, 999),
            'problem' => $problem,
        ], new Response(
            status: null === $problem ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY,
            headers: ['Cache-Control' => 'no-store'],
        ));
    }

    /**
     * @return array{PlanView, BreakShot}
     */
    private function known(int $id, int $plan): array
    {
        $view = new PlanView($this->find($id), $this->knownPlan($id, $plan), []);

        return [$view, $view->break ?? throw $this->createNotFoundException("Plan $plan has no break shot.")];
    }
}
