<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Doctrine\DBAL\Connection;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;

#[AsController]
final class ReadyController
{
    #[Route('/ready', name: 'ready', methods: ['GET'])]
    public function __invoke(Connection $database): Response
    {
        $database->executeQuery('SELECT 1 FROM setting LIMIT 1');

        return new Response('ready', 200, ['Content-Type' => 'text/plain', 'Cache-Control' => 'no-store']);
    }
}
