<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Drills\CheckDrill;
use ZigLane\App\Drills\DrillShelf;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\View\TableDrawing;
use ZigLane\App\Work\Answer;
use ZigLane\App\Work\TaskDesk;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\Files\DrillFile;
use ZigLane\Core\Drills\Skill;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Rack\Files\EquipmentFields;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\ShotSpecFile;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Wording\ShotTitle;

/**
 * A drill made of a rack: its balls and its first leg, with areas and points.
 */
#[Route('/racks/{id}/drill', requirements: ['id' => '[0-9]{1,9}'])]
final class DrillEditorController extends AbstractController
{
    use WorkedJson;

    public function __construct(private readonly RackStore $store, private readonly DrillShelf $shelf, private readonly TaskDesk $desk) {}

    #[Route('', name: 'drill_edit', methods: ['GET'])]
    public function page(int $id): Response
    {
        $open = $this->store->open($id);
        $rack = $open->rack;
        $balls = [];
        foreach ($rack->layout->balls as $ball => $place) {
            $balls[BallId::name($ball)] = array_map(static fn(float $v): float => round($v, 6), $rack->table->size->diamondsOf($place));
        }

        return $this->render('drill_edit.html.twig', [
            'open' => $open,
            'table' => new TableDrawing($rack->table),
            'skills' => Skill::cases(),
            'start' => [
                'name' => mb_strimwidth($rack->name, 0, 60, '…'),
                'game' => $rack->game->value,
                'table' => EquipmentFields::writeTable($rack->table, static fn(): array => []),
                'balls' => $balls,
                'shots' => array_map(static fn(ShotSpec $leg): array => [
                    'title' => ShotTitle::of($leg),
                    'shot' => ShotSpecFile::write($leg),
                ], $rack->legs),
            ],
        ], new Response(headers: ['Cache-Control' => 'no-store']));
    }

    /** Whether it can be done, and what each level may expect. */
    #[Route('/check', name: 'drill_check', methods: ['POST'])]
    public function check(Request $request, int $id): Response
    {
        $this->store->open($id);
        $told = static function (array $found, bool $settled): array {
            $pars = [];
            foreach (Level::cases() as $level) {
                if (\is_array($found['pars'] ?? null) && isset($found['pars'][$level->value])) {
                    $pars[] = ['level' => $level->value, 'spoken' => $level->spoken(), 'par' => $found['pars'][$level->value]];
                }
            }

            return ['impossible' => $found['impossible'] ?? [], 'pars' => $pars, 'settled' => $settled];
        };

        return $this->workedJson(
            fn(): Answer => $this->desk->ask(CheckDrill::class, [self::read($request)]),
            static fn(array $found): array => $told($found, false),
            static fn(array $found): JsonResponse => new JsonResponse($told($found, true)),
        );
    }

    /** Puts it on the shelf. */
    #[Route('/keep', name: 'drill_keep', methods: ['POST'])]
    public function keep(Request $request, int $id): Response
    {
        $this->store->open($id);
        try {
            $slug = $this->shelf->keep(self::read($request));
        } catch (InvalidInput $e) {
            return self::refused($e);
        }

        return new JsonResponse(['address' => $this->generateUrl('drill', ['slug' => $slug])], Response::HTTP_CREATED);
    }

    /** @throws InvalidInput */
    private static function read(Request $request): Drill
    {
        return DrillFile::read(JsonText::decode($request->getContent(), DrillFile::LARGEST));
    }
}
