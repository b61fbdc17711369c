<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Choice\ChoiceStore;
use ZigLane\App\Choice\Choosers;
use ZigLane\App\Choice\PoseChoice;
use ZigLane\App\Choice\Wish;
use ZigLane\App\View\WordingExtension;
use ZigLane\App\Work\Answer;
use ZigLane\App\Work\TaskDesk;
use ZigLane\Core\Choice\ChoiceProgress;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\JsonText;

/**
 * Look before you leap: racks at which a player says what they would play before the plan is seen. What came of it so far, and
 * the next one.
 */
final class ChoicesController extends AbstractController
{
    use WorkedJson;

    /** Bytes of a wish. */
    private const LONGEST = 2_000;

    public function __construct(
        private readonly ChoiceStore $store,
        private readonly Choosers $choosers,
        private readonly TaskDesk $desk,
    ) {}

    #[Route('/choices', name: 'choices', methods: ['GET'])]
    public function page(Request $request): Response
    {
        $players = $this->store->players();
        $asked = $request->query->getString('player');
        $player = \in_array($asked, $players, true) ? $asked : $players[0] ?? '';
        $made = $this->store->of($player);
        $shown = [];
        foreach (\array_slice(array_reverse($made['at'], true), 0, ChoiceStore::SHOWN, true) as $id => $at) {
            $shown[] = ['id' => $id, 'at' => $at, 'worth' => $made['worths'][$id] ?? null, 'right' => $made['named'][$id] ?? null];
        }

        return $this->render('choices.html.twig', [
            'players' => $players,
            'player' => $player,
            'progress' => new ChoiceProgress(array_values($made['worths']), array_values($made['named'])),
            'shown' => $shown,
            'choosers' => $this->choosers->players(),
            'tables' => $this->choosers->tables(),
            'games' => array_filter(GameName::cases(), static fn(GameName $one): bool => !$one->rules()->endsWithBreakShot()),
            'numbers' => Wish::BALLS,
            'usual' => new Wish(),
        ], new Response(headers: ['Cache-Control' => 'no-store']));
    }

    /** Picks the next one: 202 while that goes on; with "ahead" it is only made ready. */
    #[Route('/choices/next', name: 'choice_next', methods: ['POST'], priority: 1)]
    public function next(Request $request): Response
    {
        try {
            $data = JsonText::decode($request->getContent(), self::LONGEST);
            $wish = Wish::read($data);
            $player = $this->choosers->player($wish->who);
            $question = [$wish->kind, $wish->game, $wish->balls, $player, $this->choosers->table($wish->place), $this->store->posed() + 1];
        } catch (InvalidInput $e) {
            return self::refused($e);
        }
        $ahead = $data instanceof \stdClass && true === ($data->ahead ?? null);

        return $this->workedJson(
            fn(): Answer => $this->desk->ask(PoseChoice::class, $question),
            static fn(array $found): array => ['looked' => $found['looked'] ?? 0],
            function (array $found) use ($wish, $player, $ahead): JsonResponse {
                $document = $found['document'] ?? null;
                if (!\is_string($document)) {
                    throw new InvalidInput('', 'No rack was found. Ask again');
                }
                if ($ahead) {
                    return new JsonResponse(['ready' => true]);
                }
                $id = $this->store->pose($wish, mb_strimwidth(WordingExtension::who($player), 0, 80, '…'), $document);

                return new JsonResponse(['address' => $this->generateUrl('choice', ['id' => $id])], Response::HTTP_CREATED);
            },
        );
    }
}
