<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Entity\SharedPlan;
use ZigLane\App\Plan\PlanDesk;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\Share\LinkList;
use ZigLane\App\Share\LinkPages;
use ZigLane\App\Share\SharedPlans;
use ZigLane\App\View\SharedView;
use ZigLane\Core\InvalidInput;

/**
 * Links by which others read a plan: made, taken back, and the page that stands behind them.
 */
final class ShareController extends AbstractController
{
    public function __construct(
        private readonly RackStore $store,
        private readonly PlanDesk $plans,
        private readonly SharedPlans $shared,
        private readonly LinkPages $pages,
    ) {}

    #[Route('/racks/{id}/links', name: 'links', requirements: ['id' => '[0-9]{1,9}'], methods: ['GET'])]
    public function links(Request $request, int $id): Response
    {
        return $this->page($request, $id);
    }

    #[Route('/racks/{id}/links', name: 'link_make', requirements: ['id' => '[0-9]{1,9}'], methods: ['POST'])]
    public function make(Request $request, int $id): Response
    {
        $this->store->open($id);
        $plan = $this->plans->find($id, $request->request->getInt('plan')) ?? $this->plans->latest($id);
        try {
            $this->shared->share($plan ?? throw new InvalidInput('', 'There is no plan yet.'), $request->request->getInt('days'));
        } catch (InvalidInput $e) {
            return $this->page($request, $id, $e->problem);
        }

        return $this->redirectToRoute('links', ['id' => $id], Response::HTTP_SEE_OTHER);
    }

    #[Route(
        '/racks/{id}/links/{share}/take-back',
        name: 'link_take_back',
        requirements: ['id' => '[0-9]{1,9}', 'share' => '[0-9]{1,9}'],
        methods: ['POST'],
    )]
    public function takeBack(int $id, int $share): Response
    {
        $this->store->open($id);
        $this->shared->takeBack($id, $share);

        return $this->redirectToRoute('links', ['id' => $id], Response::HTTP_SEE_OTHER);
    }

    /** What whoever has the link sees; it changes nothing and leads nowhere else. */
    #[Route('/shared/{token}', name: 'shared', requirements: ['token' => '[0-9a-f]{32}'], methods: ['GET'])]
    public function read(Request $request, string $token): Response
    {
        $shared = $this->shared->find($token);
        $view = null === $shared ? null : SharedView::of($shared, $request->query->getInt('shot'));

        return $this->pages->shared(null !== $view, 'shared.html.twig', ['view' => $view, 'shared' => $shared]);
    }

    private function page(Request $request, int $id, ?string $problem = null): Response
    {
        $open = $this->store->open($id);

        return $this->pages->list($request, new LinkList(
            'the plan of ' . $open->rack->name,
            'Whoever has a link sees the plan as it was when the link was made, with playback, and nothing else.',
            $this->generateUrl('link_make', ['id' => $id]),
            $this->generateUrl('rack', ['id' => $id, 'plan' => 0]),
            array_map(fn(SharedPlan $link): array => [
                'address' => $this->generateUrl('shared', ['token' => $link->token()]),
                'made' => $link->createdAt(),
                'until' => $link->until(),
                'takeBack' => $this->generateUrl('link_take_back', ['id' => $id, 'share' => $link->id()]),
            ], $this->shared->of($id)),
        ), $problem);
    }
}
