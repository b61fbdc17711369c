<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Camera\FrameAnswers;
use ZigLane\App\Camera\FrameResult;
use ZigLane\App\Entity\Upload;
use ZigLane\App\Rack\OpenRack;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\Rack\StaleRack;
use ZigLane\App\View\TableDrawing;
use ZigLane\Core\Camera\FrameFile;
use ZigLane\Core\Camera\FrameReview;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\AttemptFile;
use ZigLane\Core\Rack\Files\JsonText;

/**
 * A camera above the table reports where the balls lie; a person looks at what it saw before it counts.
 */
#[Route('/racks/{id}/camera', requirements: ['id' => '[0-9]{1,9}'])]
final class CameraController extends AbstractController
{
    /** Bytes of a frame at most. */
    private const LONGEST = 20_000;

    public function __construct(
        private readonly RackStore $store,
        private readonly EntityManagerInterface $entities,
        private readonly ClockInterface $clock,
    ) {}

    /** Where a camera sends its frames: the latest one waits to be looked at. */
    #[Route('/frame', name: 'camera_frame', methods: ['POST'])]
    public function frame(Request $request, int $id): Response
    {
        $open = $this->store->open($id);
        $text = $request->getContent();
        try {
            $review = $this->reviewed($open, $text);
        } catch (InvalidInput $e) {
            return new JsonResponse(['problem' => $e->getMessage()], Response::HTTP_UNPROCESSABLE_ENTITY);
        }
        $last = $this->entities->find(Upload::class, Upload::frameOf($id));
        if (null !== $last) {
            $this->entities->remove($last);
            $this->entities->flush();
        }
        $this->entities->persist(new Upload(Upload::frameOf($id), 'frame', $text, $this->clock->now()));
        $this->entities->flush();

        return new JsonResponse(['balls' => \count($review->frame->detections), 'doubts' => \count($review->doubts)]);
    }

    /** What the camera saw, beside how the balls lay, with every doubt. */
    #[Route('', name: 'camera', methods: ['GET'])]
    public function review(int $id): Response
    {
        return $this->page($id);
    }

    /**
     * What the waiting frame makes of a shot: where the cue ball stopped and what moved, to be looked at. The body is the attempt with an
     * empty result; its own ball is expected to be gone.
     */
    #[Route('/result', name: 'camera_result', methods: ['POST'])]
    public function result(Request $request, int $id): Response
    {
        $open = $this->store->open($id);
        try {
            $attempt = AttemptFile::of(JsonText::decode($request->getContent(), 10 * self::LONGEST));
            $text = $this->waiting($id) ?? throw new InvalidInput('', 'The camera has sent no frame yet');
            $size = $attempt->rack->table->size;
            $frame = FrameFile::read(JsonText::decode($text, self::LONGEST), $size);
            $review = new FrameReview($frame, $attempt->rack->layout, $open->rack->simulator()->geometry);
        } catch (InvalidInput $e) {
            return new JsonResponse(['problem' => $e->getMessage()], Response::HTTP_UNPROCESSABLE_ENTITY);
        }

        return new JsonResponse(FrameResult::of($review, $attempt->meant->ball, $size));
    }

    /** Takes the balls over as they were seen, once every doubt is answered. */
    #[Route('', name: 'camera_take', methods: ['POST'])]
    public function take(Request $request, int $id): Response
    {
        $open = $this->store->open($id);
        $answers = array_map(strval(...), array_filter($request->request->all(), is_scalar(...)));
        try {
            $text = $this->waiting($id) ?? throw new InvalidInput('', 'There is no frame to take over');
            if (($answers['frame'] ?? '') !== hash('xxh128', $text)) {
                throw new InvalidInput('', 'The camera has sent another frame since: look at this one');
            }
            $rack = FrameAnswers::taken($open->rack, $this->reviewed($open, $text), $answers);
            $this->store->change($id, (int) ($answers['version'] ?? 0), 'take the balls from the camera', $rack);
        } catch (InvalidInput|StaleRack $e) {
            return $this->page($id, rtrim($e->getMessage(), '.') . '.', $answers);
        }

        return $this->redirectToRoute('rack', ['id' => $id], Response::HTTP_SEE_OTHER);
    }

    /** @param array<string, string> $answers that were given */
    private function page(int $id, ?string $problem = null, array $answers = []): Response
    {
        $open = $this->store->open($id);
        $text = $this->waiting($id);
        $review = null;
        try {
            $review = null === $text ? null : $this->reviewed($open, $text);
        } catch (InvalidInput $e) {
            // Sent for a table of another size, or damaged.
            $problem ??= 'The last frame cannot be read: ' . $e->getMessage() . '.';
        }

        return $this->render('camera.html.twig', [
            'open' => $open,
            'table' => new TableDrawing($open->rack->table),
            'review' => $review,
            'questions' => null === $review ? [] : FrameAnswers::questions($review),
            'hash' => null === $text ? '' : hash('xxh128', $text),
            'problem' => $problem,
            'answers' => $answers,
        ], new Response(
            status: null === $problem ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY,
            headers: ['Cache-Control' => 'no-store'],
        ));
    }

    /** @throws InvalidInput */
    private function reviewed(OpenRack $open, string $text): FrameReview
    {
        $frame = FrameFile::read(JsonText::decode($text, self::LONGEST), $open->rack->table->size);

        return new FrameReview($frame, $open->rack->layout, $open->rack->simulator()->geometry);
    }

    private function waiting(int $id): ?string
    {
        return $this->entities->find(Upload::class, Upload::frameOf($id))?->text();
    }
}
