<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Coach\Assignments;
use ZigLane\App\Drills\DrillShelf;
use ZigLane\App\Drills\Rounds;
use ZigLane\App\Http\UploadedText;
use ZigLane\App\View\DrillDrawing;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\Files\DrillFile;
use ZigLane\Core\Drills\Files\RoundFile;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\Fields;
use ZigLane\Core\Rack\Files\JsonText;

/**
 * The list of drills, how one's own come into it, and where devices send what was scored.
 */
final class DrillsController extends AbstractController
{
    /** Bytes and rounds of one request. */
    private const LONGEST = 200_000;
    private const MOST = 50;

    public function __construct(
        private readonly DrillShelf $shelf,
        private readonly Rounds $rounds,
        private readonly Assignments $assignments,
    ) {}

    #[Route('/drills', name: 'drills', methods: ['GET'])]
    public function list(Request $request): Response
    {
        return $this->page($request);
    }

    #[Route('/drills/import', name: 'drill_import', methods: ['POST'])]
    public function import(Request $request): Response
    {
        try {
            $file = UploadedText::of($request, 'file', DrillFile::LARGEST);
            $slug = $this->shelf->keep(DrillFile::read(JsonText::decode($file->text, DrillFile::LARGEST)));
        } catch (InvalidInput $e) {
            $name = UploadedText::nameOf($request, 'file') ?? 'Nothing';

            return $this->page($request, \sprintf('%s was not imported. %s', $name, ucfirst(rtrim($e->getMessage(), '.'))) . '.');
        }

        return $this->redirectToRoute('drill', ['slug' => $slug], Response::HTTP_SEE_OTHER);
    }

    /** Where a device sends what was scored. The same may come as often as it likes: each is kept once. */
    #[Route('/drills/rounds', name: 'drill_rounds', methods: ['POST'])]
    public function enter(Request $request): Response
    {
        try {
            $rows = (new Fields(JsonText::decode($request->getContent(), self::LONGEST), ''))->raw('entries');
            if (!\is_array($rows) || !array_is_list($rows) || [] === $rows || \count($rows) > self::MOST) {
                throw new InvalidInput('entries', \sprintf('must be a list of 1 to %d rounds', self::MOST));
            }
            $rounds = [];
            foreach ($rows as $n => $row) {
                $rounds[] = RoundFile::read(new Fields($row, "entries[$n]"));
            }
        } catch (InvalidInput $e) {
            return new JsonResponse(['problem' => $e->getMessage()], Response::HTTP_UNPROCESSABLE_ENTITY);
        }
        $this->rounds->keep($rounds);

        $kept = array_column($rounds, 'key');

        return new JsonResponse(['kept' => $kept, 'refused' => new \stdClass()], headers: ['Cache-Control' => 'no-store']);
    }

    private function page(Request $request, ?string $problem = null): Response
    {
        $drills = $this->shelf->all();
        $skills = array_values(array_unique(array_map(static fn(Drill $drill): string => $drill->skill->value, $drills)));
        $asked = $request->query->getString('skill');
        $skill = \in_array($asked, $skills, true) ? $asked : null;
        $shown = array_filter($drills, static fn(Drill $drill): bool => null === $skill || $drill->skill->value === $skill);
        $cards = [];
        foreach ($shown as $slug => $drill) {
            $cards[$slug] = ['drill' => $drill, 'drawing' => new DrillDrawing($drill, $drill->stations[0])];
        }

        return $this->render('drills.html.twig', [
            'cards' => $cards,
            'skills' => array_values(array_unique(array_map(static fn(Drill $drill) => $drill->skill, $drills), \SORT_REGULAR)),
            'skill' => $skill,
            'all' => $drills,
            'set' => array_values(array_filter($this->assignments->all(), static fn(array $set): bool => [] === $set['results'])),
            'bests' => $this->rounds->bests(),
            'problem' => $problem,
        ], new Response(
            status: null === $problem ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY,
            headers: ['Cache-Control' => 'no-store'],
        ));
    }
}
