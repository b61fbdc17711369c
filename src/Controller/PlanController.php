<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Component\Form\FormFactoryInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Entity\PlanRecord;
use ZigLane\App\Form\Complaints;
use ZigLane\App\Form\ConstraintsType;
use ZigLane\App\Http\TooMany;
use ZigLane\App\Http\Visitor;
use ZigLane\App\Plan\PlanDesk;
use ZigLane\App\Profile\ProfileStore;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\Rack\StaleRack;
use ZigLane\App\View\PlanView;
use ZigLane\App\View\TableDrawing;
use ZigLane\App\View\WorkspaceBuilder;
use ZigLane\App\Work\TaskDesk;
use ZigLane\Core\Files\ConstraintsFile;
use ZigLane\Core\InvalidInput;

/**
 * Plans of a rack: asked for, stopped, taken over, compared. What they found is shown on the workspace.
 */
#[Route('/racks/{id}/plans', requirements: ['id' => '[0-9]{1,9}', 'plan' => '[0-9]{1,9}'])]
final class PlanController extends WorkspaceController
{
    /** Plans that are laid side by side at most. */
    private const COMPARED = 3;

    public function __construct(
        RackStore $store,
        WorkspaceBuilder $builder,
        ProfileStore $profiles,
        TaskDesk $desk,
        PlanDesk $plans,
        private readonly Visitor $visitor,
        private readonly FormFactoryInterface $forms,
    ) {
        parent::__construct($store, $builder, $profiles, $desk, $plans);
    }

    #[Route('', name: 'plan_ask', methods: ['POST'])]
    public function ask(Request $request, int $id): Response
    {
        $open = $this->find($id);
        try {
            $form = $this->forms->createNamed('', ConstraintsType::class, null, ['rack' => $open->rack]);
            $form->submit($request->request->all());
            if (!$form->isValid()) {
                throw new InvalidInput('', rtrim(Complaints::sentence($form), '.'));
            }
            $answers = $form->getData() ?? [];
            $pins = ConstraintsFile::read(ConstraintsType::document($answers, $open->rack), $open->rack);
            $plan = $this->plans->ask($open, $pins, $this->visitor->of($request), true === ($answers['again'] ?? null));
        } catch (InvalidInput $e) {
            return $this->workspace(
                $request,
                $id,
                $request->request->getInt('chosen'),
                ucfirst($e->getMessage()) . '.',
                Response::HTTP_UNPROCESSABLE_ENTITY,
            );
        } catch (TooMany $e) {
            return $this->workspace($request, $id, 0, $e->getMessage(), Response::HTTP_TOO_MANY_REQUESTS);
        }

        return $this->shown($plan);
    }

    #[Route('/{plan}/stop', name: 'plan_stop', methods: ['POST'])]
    public function stop(int $id, int $plan): Response
    {
        $record = $this->knownPlan($id, $plan);
        $this->plans->stop($record);

        return $this->shown($record);
    }

    /** The plan's shots become the rack's legs; or one stroke that it was weighed against. */
    #[Route('/{plan}/take', name: 'plan_take', methods: ['POST'])]
    public function take(Request $request, int $id, int $plan): Response
    {
        $open = $this->find($id);
        $view = new PlanView($open, $this->knownPlan($id, $plan), []);
        $option = $request->request->getString('option');
        $taken = '' === $option ? $view->line : $view->optionAlone($option);
        if (null === $taken || [] === $taken->legs) {
            return $this->workspace($request, $id, 0, 'This plan has no shots yet.', Response::HTTP_UNPROCESSABLE_ENTITY);
        }
        if ($view->stale) {
            return $this->workspace(
                $request,
                $id,
                0,
                'The rack has changed since this plan was made; plan it again.',
                Response::HTTP_CONFLICT,
            );
        }
        try {
            $what = '' === $option ? 'take the plan over' : 'take the shot over';
            $this->store->change($id, $this->version($request), $what, $taken->named($open->rack->name));
        } catch (InvalidInput $e) {
            return $this->workspace($request, $id, 0, $e->problem, Response::HTTP_UNPROCESSABLE_ENTITY);
        } catch (StaleRack $e) {
            return $this->workspace($request, $id, 0, $e->getMessage(), Response::HTTP_CONFLICT);
        }

        return $this->redirectToRoute('rack', ['id' => $id, 'leg' => 1], Response::HTTP_SEE_OTHER);
    }

    /** Plans side by side. */
    #[Route('', name: 'plans', methods: ['GET'])]
    public function compare(Request $request, int $id): Response
    {
        $open = $this->find($id);
        $all = $this->plans->all($id);
        $asked = array_filter(
            explode(',', implode(',', array_map(strval(...), array_filter($request->query->all('with'), is_scalar(...))))),
            is_numeric(...),
        );
        $chosen = array_values(array_filter($all, static fn(PlanRecord $p): bool => \in_array((string) $p->id(), $asked, true)));
        $chosen = [] === $chosen ? $all : $chosen;
        $views = array_map(fn(PlanRecord $p): PlanView => new PlanView($open, $p, $all), \array_slice($chosen, 0, self::COMPARED));

        return $this->render('plans.html.twig', [
            'open' => $open,
            'views' => $views,
            'all' => $all,
            'drawings' => array_map(fn(PlanView $v): array => null === $v->line ? [] : $this->drawn($open, $v->line), $views),
            'table' => new TableDrawing($open->rack->table),
            'rows' => max([0, ...array_map(static fn(PlanView $v): int => \count($v->shots), $views)]),
        ], new Response(headers: ['Cache-Control' => 'no-store']));
    }

    private function shown(PlanRecord $plan): Response
    {
        return $this->redirectToRoute('rack', ['id' => $plan->rack()->id(), 'plan' => $plan->id()], Response::HTTP_SEE_OTHER);
    }
}
