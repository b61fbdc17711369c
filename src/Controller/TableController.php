<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\AtTable\PlanTable;
use ZigLane\App\Entity\Upload;
use ZigLane\App\Http\TooMany;
use ZigLane\App\Paces;
use ZigLane\App\Plan\PlanDesk;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\View\PlanView;
use ZigLane\App\View\TableDrawing;
use ZigLane\App\View\Units;
use ZigLane\App\Work\TaskDesk;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\AttemptFile;
use ZigLane\Core\Logbook\NextTable;
use ZigLane\Core\Rack\Files\Fields;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Wording\RunWording;

/**
 * A rack shot at the table: the page that goes there, and the plans that it takes along. What is noted there goes to the logbook.
 */
#[Route('/racks/{id}/table', requirements: ['id' => '[0-9]{1,9}'])]
final class TableController extends AbstractController
{
    /** Bytes of a shot that is gone on from. */
    private const LONGEST = 200_000;

    public function __construct(
        private readonly RackStore $store,
        private readonly PlanDesk $plans,
        private readonly TaskDesk $desk,
        private readonly EntityManagerInterface $entities,
        private readonly Paces $paces,
    ) {}

    #[Route('', name: 'at_table', methods: ['GET'])]
    public function page(int $id): Response
    {
        $open = $this->store->open($id);

        return $this->render('at_table.html.twig', [
            'open' => $open,
            'rack' => $open->rack,
            'table' => new TableDrawing($open->rack->table),
            'has_camera' => null !== $this->entities->find(Upload::class, Upload::frameOf($id)),
        ], new Response(headers: ['Cache-Control' => 'no-store']));
    }

    /** The plan as the device takes it along: of the rack as it is stored. */
    #[Route('/sheet', name: 'table_sheet', methods: ['GET'])]
    public function sheet(Request $request, int $id): Response
    {
        $open = $this->store->open($id);
        $plan = $this->plans->latest($id);
        $fresh = null !== $plan && !$plan->isUnderWay() && !(new PlanView($open, $plan, []))->stale;

        return $this->answer($request, $open->rack, $fresh ? $plan->result() : null);
    }

    /** The plan from where a shot left the balls, and what changed; or from where they were laid before the first. */
    #[Route('/sheet', name: 'table_next', methods: ['POST'])]
    public function next(Request $request, int $id): Response
    {
        $this->store->open($id);
        try {
            $data = JsonText::decode($request->getContent(), self::LONGEST);
            $said = new Fields($data, '');
            $attempt = $said->has('laid') ? null : AttemptFile::of($data);
            $rack = null === $attempt ? self::laid($said) : NextTable::after($attempt);
        } catch (InvalidInput $e) {
            return new JsonResponse(['problem' => $e->getMessage()], Response::HTTP_UNPROCESSABLE_ENTITY);
        }
        $why = null === $attempt ? '' : RunWording::cameOff($attempt, Units::of($request)->length(...));

        return $this->answer($request, $rack, null, $why);
    }

    /** @throws InvalidInput */
    private static function laid(Fields $said): Rack
    {
        try {
            return RackFile::read($said->raw('laid'));
        } catch (InvalidInput $e) {
            throw $e->under('laid');
        }
    }

    private function answer(Request $request, Rack $rack, ?string $stored, string $why = ''): Response
    {
        try {
            $answer = $this->desk->ask(PlanTable::class, [$rack->withLegs([])->named('-'), $stored, $this->paces->reader($request)]);
        } catch (TooMany $e) {
            return new JsonResponse(['problem' => $e->getMessage()], Response::HTTP_TOO_MANY_REQUESTS, ['Retry-After' => '3']);
        }
        if (null !== $answer->problem) {
            return new JsonResponse(['problem' => $answer->problem], Response::HTTP_UNPROCESSABLE_ENTITY);
        }
        $sheet = \is_array($answer->value) ? $answer->value : null;
        // What the device has already is not sent again.
        $known = \is_int($sheet['edition'] ?? null) ? $sheet['edition'] : 0;
        $response = (string) $known === $request->query->getString('have')
            ? new JsonResponse(['edition' => $known])
            : new JsonResponse(($sheet ?? ['edition' => 0]) + ['why' => $why]);
        if (!$answer->settled) {
            $response->setStatusCode(Response::HTTP_ACCEPTED);
        }
        $response->headers->set('Cache-Control', 'no-store');

        return $response;
    }
}
