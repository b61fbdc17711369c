<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Work\FailedWork;

/**
 * Work that the workers gave up: looked at, done again, dropped.
 */
#[Route('/failed', requirements: ['id' => '[0-9]{1,9}'])]
final class FailedController extends AbstractController
{
    public function __construct(private readonly FailedWork $work) {}

    #[Route('', name: 'failed', methods: ['GET'])]
    public function list(): Response
    {
        return $this->page();
    }

    #[Route('/{id}/retry', name: 'failed_retry', methods: ['POST'])]
    public function retry(int $id): Response
    {
        $plan = $this->work->retry($id);
        if (null === $plan) {
            return $this->page('That cannot be done again: it is gone, or nobody waits for it any more.', Response::HTTP_GONE);
        }

        return $this->redirectToRoute('rack', ['id' => $plan['rack'], 'plan' => $plan['plan']], Response::HTTP_SEE_OTHER);
    }

    #[Route('/{id}/drop', name: 'failed_drop', methods: ['POST'])]
    public function drop(int $id): Response
    {
        $this->work->drop($id);

        return $this->redirectToRoute('failed', [], Response::HTTP_SEE_OTHER);
    }

    private function page(?string $problem = null, int $status = Response::HTTP_OK): Response
    {
        return $this->render(
            'failed.html.twig',
            ['items' => $this->work->all(), 'problem' => $problem],
            new Response(status: $status, headers: ['Cache-Control' => 'no-store']),
        );
    }
}
