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
use ZigLane\App\Http\TooMany;
use ZigLane\App\View\WordingExtension;
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
            $table = $this->choosers->table($wish->place);
            $seed = $this->store->posed() + 1;
            $answer = $this->desk->ask(PoseChoice::class, [$wish->kind, $wish->game, $wish->balls, $player, $table, $seed]);
            if (null !== $answer->problem) {
                throw new InvalidInput('', $answer->problem);
            }
        } catch (InvalidInput $e) {
            return new JsonResponse(['problem' => ucfirst($e->getMessage())], Response::HTTP_UNPROCESSABLE_ENTITY);
        } catch (TooMany $e) {
            return new JsonResponse(['problem' => $e->getMessage()], Response::HTTP_TOO_MANY_REQUESTS, ['Retry-After' => '3']);
        }
        $found = \is_array($answer->value) ? $answer->value : [];
        $document = \is_string($found['document'] ?? null) ? $found['document'] : null;
        if (!$answer->settled || null === $document) {
            $looked = \is_int($found['looked'] ?? null) ? $found['looked'] : 0;

            return new JsonResponse(['looked' => $looked], Response::HTTP_ACCEPTED, ['Cache-Control' => 'no-store']);
        }
        if ($data instanceof \stdClass && true === ($data->ahead ?? null)) {
            return new JsonResponse(['ready' => true], headers: ['Cache-Control' => 'no-store']);
        }
        $id = $this->store->pose($wish, mb_strimwidth(WordingExtension::who($player), 0, 80, '…'), $document);

        return new JsonResponse(['address' => $this->generateUrl('choice', ['id' => $id])], Response::HTTP_CREATED);
    }
}
