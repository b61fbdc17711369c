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
use ZigLane\App\Share\LinkBase;
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
        private readonly LinkBase $base,
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

        return $this->render('shared.html.twig', ['view' => $view, 'shared' => $shared], new Response(
            status: null === $view ? Response::HTTP_NOT_FOUND : Response::HTTP_OK,
            headers: ['Cache-Control' => 'no-store', 'X-Robots-Tag' => 'noindex', 'Referrer-Policy' => 'no-referrer'],
        ));
    }

    private function page(Request $request, int $id, ?string $problem = null): Response
    {
        $open = $this->store->open($id);

        return $this->render('links.html.twig', [
            'what' => 'the plan of ' . $open->rack->name,
            'hint' => 'Whoever has a link sees the plan as it was when the link was made, with playback, and nothing else.',
            'make' => $this->generateUrl('link_make', ['id' => $id]),
            'back' => $this->generateUrl('rack', ['id' => $id, 'plan' => 0]),
            'links' => array_map(fn(SharedPlan $link): array => [
                'address' => $this->generateUrl('shared', ['token' => $link->token()]),
                'made' => $link->createdAt(),
                'until' => $link->until(),
                'takeBack' => $this->generateUrl('link_take_back', ['id' => $id, 'share' => $link->id()]),
            ], $this->shared->of($id)),
            'base' => $this->base->of($request),
            'lan' => null !== $this->base->lan(),
            'days' => SharedPlans::DAYS,
            'problem' => $problem,
        ], new Response(
            status: null === $problem ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY,
            headers: ['Cache-Control' => 'no-store'],
        ));
    }
}
