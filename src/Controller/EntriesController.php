<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Logbook\Entries;
use ZigLane\App\Logbook\Entry;
use ZigLane\App\Logbook\EntryReader;
use ZigLane\Core\InvalidInput;

/**
 * Where a device at the table sends what it noted. The same may come as often as it likes: each is kept once.
 */
#[AsController]
final class EntriesController
{
    public function __construct(private readonly Entries $entries) {}

    #[Route('/logbook/entries', name: 'logbook_entries', methods: ['POST'])]
    public function enter(Request $request): Response
    {
        try {
            [$entries, $refused] = EntryReader::read($request->getContent());
        } catch (InvalidInput $e) {
            return new JsonResponse(['problem' => $e->getMessage()], Response::HTTP_UNPROCESSABLE_ENTITY);
        }
        $this->entries->keep($entries);

        return new JsonResponse([
            'kept' => array_values(array_unique(array_map(static fn(Entry $e): string => $e->key, $entries))),
            'refused' => (object) $refused,
        ], headers: ['Cache-Control' => 'no-store']);
    }
}
