<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Choice\ChoiceStore;
use ZigLane\App\Choice\JudgeChoice;
use ZigLane\App\Choice\Posed;
use ZigLane\App\Choice\Wish;
use ZigLane\App\Paces;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\View\ChoiceQuestion;
use ZigLane\App\View\ChoiceTold;
use ZigLane\App\Work\Answer;
use ZigLane\App\Work\TaskDesk;
use ZigLane\Core\Choice\Files\ChoiceFile;
use ZigLane\Core\Choice\Pair;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\JsonText;

/**
 * One rack to choose at: the question, and once it is answered the plan beside the answer.
 */
#[Route('/choices/{id}', requirements: ['id' => '[0-9]{1,9}'])]
final class ChoiceController extends AbstractController
{
    use WorkedJson;

    /** Bytes of an answer. */
    private const LONGEST = 10_000;

    public function __construct(
        private readonly ChoiceStore $store,
        private readonly TaskDesk $desk,
        private readonly RackStore $racks,
        private readonly Paces $paces,
    ) {}

    #[Route('', name: 'choice', methods: ['GET'])]
    public function page(Request $request, int $id): Response
    {
        $row = $this->store->find($id);
        $reader = $this->paces->reader($request);
        try {
            $posed = Posed::read($row['document']);
            $wish = Wish::read(JsonText::decode($row['wish']));
            $page = ['id' => $id, 'player' => $row['player'], 'wish' => $wish->write(), 'rack' => $posed->rack];
            $response = null === $row['answer']
                ? $this->render('choice.html.twig', $page + ['question' => ChoiceQuestion::of($posed, $reader)])
                : $this->render('choice_told.html.twig', $page + ['told' => ChoiceTold::of($posed, $row['answer'], $reader)]);
        } catch (InvalidInput $e) {
            $response = $this->render('choice_damaged.html.twig', ['why' => $e->getMessage()]);
            $response->setStatusCode(Response::HTTP_UNPROCESSABLE_ENTITY);
        }
        $response->headers->set('Cache-Control', 'no-store');

        return $response;
    }

    /** What the player would play; 202 while that is judged. */
    #[Route('', name: 'choice_answer', methods: ['POST'])]
    public function answer(Request $request, int $id): Response
    {
        $row = $this->store->find($id);
        if (null !== $row['answer']) {
            return $this->told($id);
        }
        try {
            $posed = Posed::read($row['document']);
            $data = JsonText::decode($request->getContent(), self::LONGEST);
        } catch (InvalidInput $e) {
            return self::refused($e);
        }

        return null === $posed->pair ? $this->judged($id, $posed, $data) : $this->named($id, $posed->pair, $data);
    }

    /** The named one of two is kept at once. */
    private function named(int $id, Pair $pair, mixed $data): JsonResponse
    {
        $named = $data instanceof \stdClass && \is_int($data->named ?? null) ? $data->named : -1;
        if (0 !== $named && 1 !== $named) {
            return self::refused(new InvalidInput('named', 'must be 0 or 1'));
        }
        $this->store->answer($id, ['named' => $named, 'right' => $named === $pair->better()]);

        return $this->told($id);
    }

    private function judged(int $id, Posed $posed, mixed $data): JsonResponse
    {
        return $this->workedJson(
            fn(): Answer => $this->desk->ask(JudgeChoice::class, [$posed->rack, ChoiceFile::read($data, $posed->rack)]),
            static fn(array $found): array => ['searched' => $found['searched'] ?? 0, 'shots' => $found['shots'] ?? 0],
            function (array $found) use ($id, $posed, $data): JsonResponse {
                $this->store->answer($id, [
                    'choice' => ChoiceFile::write(ChoiceFile::read($data, $posed->rack), $posed->rack),
                    'plan' => $found['plan'] ?? null,
                    'worth' => $found['worth'] ?? null,
                ]);

                return $this->told($id);
            },
        );
    }

    /** Puts it among the racks, to be planned and shot. */
    #[Route('/rack', name: 'choice_rack', methods: ['POST'])]
    public function keep(int $id): Response
    {
        $row = $this->store->find($id);
        try {
            $record = $this->racks->create(Posed::read($row['document'])->rack->named("Look before you leap $id"));
        } catch (InvalidInput) {
            return $this->redirectToRoute('choice', ['id' => $id], Response::HTTP_SEE_OTHER);
        }

        return $this->redirectToRoute('rack', ['id' => $record->id()], Response::HTTP_SEE_OTHER);
    }

    private function told(int $id): JsonResponse
    {
        return new JsonResponse(['address' => $this->generateUrl('choice', ['id' => $id])]);
    }
}
