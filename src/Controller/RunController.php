<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Logbook\Logbook;
use ZigLane\App\View\RunView;
use ZigLane\App\View\Units;

/**
 * A rack that was shot, beside how it was planned.
 */
#[Route('/logbook/runs')]
final class RunController extends AbstractController
{
    public function __construct(private readonly Logbook $logbook) {}

    #[Route('', name: 'runs', methods: ['GET'])]
    public function all(): Response
    {
        return $this->redirectToRoute('logbook');
    }

    #[Route('/{key}', name: 'run', requirements: ['key' => '[A-Za-z0-9-]{8,64}'], methods: ['GET'])]
    public function run(Request $request, string $key): Response
    {
        $attempts = $this->logbook->run($key);
        if ([] === $attempts) {
            throw $this->createNotFoundException('There is no such rack in the logbook.');
        }

        return $this->render('run.html.twig', [
            'view' => new RunView($attempts, Units::of($request)),
            'ids' => array_keys($attempts),
            'units' => Units::of($request),
        ], new Response(headers: ['Cache-Control' => 'no-store']));
    }
}
