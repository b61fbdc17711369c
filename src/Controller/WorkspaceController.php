<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use ZigLane\App\Entity\PlanRecord;
use ZigLane\App\Http\TooMany;
use ZigLane\App\Plan\PlanDesk;
use ZigLane\App\Profile\ProfileStore;
use ZigLane\App\Rack\OpenRack;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\Reading\Look;
use ZigLane\App\Reading\ReadTable;
use ZigLane\App\View\LegDrawing;
use ZigLane\App\View\PlanView;
use ZigLane\App\View\ReadingView;
use ZigLane\App\View\Units;
use ZigLane\App\View\WorkspaceBuilder;
use ZigLane\App\Work\TaskDesk;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\TableReading;

/**
 * What answers with the whole workspace, drawn anew: the table with a line, a reading or a plan.
 */
abstract class WorkspaceController extends AbstractController
{
    public function __construct(
        protected readonly RackStore $store,
        protected readonly WorkspaceBuilder $builder,
        private readonly ProfileStore $profiles,
        private readonly TaskDesk $desk,
        protected readonly PlanDesk $plans,
    ) {}

    protected function find(int $id): OpenRack
    {
        return $this->store->open($id);
    }

    protected function knownPlan(int $id, int $plan): PlanRecord
    {
        return $this->plans->find($id, $plan) ?? throw $this->createNotFoundException("There is no plan $plan of rack $id.");
    }

    /**
     * The version of the rack that a change was made on; without one two windows would overwrite each other.
     *
     * @throws InvalidInput
     */
    protected function version(Request $request): int
    {
        $text = $request->request->getString('version');
        if (1 !== preg_match('/^[0-9]{1,9}$/D', $text)) {
            throw new InvalidInput('version', 'A change must say on which version of the rack it was made. Load the page again.');
        }

        return (int) $text;
    }

    /** Without htmx a change ends in an ordinary page again. */
    protected function after(Request $request, int $id, int $chosen): Response
    {
        return $request->headers->has('HX-Request')
            ? $this->workspace($request, $id, $chosen)
            : $this->redirectToRoute('rack', self::address($id, $chosen, self::look($request), null), Response::HTTP_SEE_OTHER);
    }

    /** What is looked at, read from or planned. */
    private static function look(Request $request): ?Look
    {
        return Look::of($request->isMethod('POST') ? $request->request : $request->query);
    }

    /**
     * @return array<string, int|string>
     */
    private static function address(int $id, int $chosen, ?Look $look, ?PlanView $plan): array
    {
        return ['id' => $id]
            + (0 === $chosen ? [] : ['leg' => $chosen])
            + (null === $look ? [] : ['read' => $look->text()])
            + (null === $plan ? [] : ['plan' => $plan->id()]);
    }

    protected function workspace(Request $request, int $id, int $chosen, ?string $problem = null, int $status = Response::HTTP_OK): Response
    {
        $units = Units::of($request);
        $open = $this->find($id);
        $look = self::look($request);
        $plan = null === $look ? $this->plan($request, $open) : null;
        $w = $this->builder->build($open, $chosen, $units, $plan?->line);
        $reading = null;
        if (null !== $look) {
            $at = $w->at->named('-');
            try {
                $answer = $this->desk->ask(ReadTable::class, [$at, $id]);
                $reading = $answer->value instanceof TableReading ? new ReadingView($at, $answer->value, $look) : null;
                $problem ??= $answer->problem;
            } catch (TooMany $e) {
                $problem ??= $e->getMessage();
            }
        }
        $whole = !$request->headers->has('HX-Request');
        $response = $this->render($whole ? 'rack.html.twig' : 'workspace.html.twig', [
            'w' => $w,
            'reading' => $reading,
            // Read by a worker at this moment: the page asks again.
            'look' => $look,
            'plan' => $plan,
            'units' => $units,
            'problem' => $problem,
            'profiles' => 0 === $w->chosen || null !== $plan ? $this->profiles->names() : [],
        ], new Response(status: $status));
        $response->headers->set('Vary', 'HX-Request');
        $response->headers->set('Cache-Control', 'no-store');
        if (!$whole) {
            $response->headers->set('HX-Replace-Url', $this->generateUrl('rack', self::address($id, $w->chosen, $look, $plan)));
        }

        return $response;
    }

    /**
     * The legs of a line, to draw small.
     *
     * @return list<LegDrawing>
     */
    protected function drawn(OpenRack $open, Rack $line): array
    {
        return $this->builder->build($open, 0, Units::Metric, $line)->legs;
    }

    /** The plan that is shown: a certain one, or with 0 the latest. */
    private function plan(Request $request, OpenRack $open): ?PlanView
    {
        $from = $request->isMethod('POST') ? $request->request : $request->query;
        if (!$from->has('plan')) {
            return null;
        }
        $id = $open->record->id();
        $record = $this->plans->find($id, $from->getInt('plan')) ?? $this->plans->latest($id);

        return new PlanView($open, $record, $this->plans->all($id), null === $record ? 0 : $this->plans->ahead($record));
    }
}
