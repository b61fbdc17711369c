<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Http\UploadedText;
use ZigLane\App\Photo\GdPicture;
use ZigLane\App\Photo\PhotoQuestion;
use ZigLane\App\Photo\PhotoStore;
use ZigLane\App\Photo\SeenTable;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\Rack\StaleRack;
use ZigLane\App\View\TableDrawing;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Photo\BallSighting;
use ZigLane\Core\Photo\PhotoLayout;
use ZigLane\Core\Photo\TapReview;
use ZigLane\Core\Rack\Files\Fields;

/**
 * A rack laid out from a picture of the table: tips of the cushions are pointed at, then the balls, which are found by their outlines.
 */
#[Route('/racks/{id}/photo', requirements: ['id' => '[0-9]{1,9}'])]
final class PhotoController extends AbstractController
{
    public function __construct(private readonly RackStore $store, private readonly PhotoStore $photos) {}

    #[Route('', name: 'photo', methods: ['GET'])]
    public function page(int $id): Response
    {
        return $this->shown($id);
    }

    /** Takes a picture in the place of the one before. */
    #[Route('', name: 'photo_send', methods: ['POST'])]
    public function send(Request $request, int $id): Response
    {
        $this->store->open($id);
        try {
            $picture = GdPicture::read(UploadedText::of($request, 'picture', GdPicture::LARGEST)->text);
        } catch (InvalidInput $e) {
            return $this->shown($id, $e->getMessage());
        }
        $this->photos->put($id, $picture->jpeg());

        return $this->redirectToRoute('photo', ['id' => $id], Response::HTTP_SEE_OTHER);
    }

    #[Route('/picture', name: 'photo_picture', methods: ['GET'])]
    public function picture(int $id): Response
    {
        $this->store->open($id);
        $picture = $this->photos->picture($id) ?? throw $this->createNotFoundException('This rack has no picture.');

        return new Response($picture, headers: ['Content-Type' => 'image/jpeg', 'Cache-Control' => 'private, no-cache']);
    }

    /** The camera that the tips tell of: what is doubtful, where the table then lies in the picture. */
    #[Route('/camera', name: 'photo_camera', methods: ['POST'])]
    public function camera(Request $request, int $id): Response
    {
        return $this->answer($request, $id, static fn(SeenTable $seen): array => $seen->camera());
    }

    /** The ball near a tap. */
    #[Route('/ball', name: 'photo_ball', methods: ['POST'])]
    public function ball(Request $request, int $id): Response
    {
        return $this->answer($request, $id, static function (SeenTable $seen, Fields $question): array {
            [$u, $v] = PhotoQuestion::at($question);
            $ball = BallSighting::at($seen->picture, $seen->review->fit, $seen->geometry, $u, $v);

            return $seen->ball($ball, PhotoQuestion::others($question));
        });
    }

    /** Puts the balls on the rack's table. */
    #[Route('/take', name: 'photo_take', methods: ['POST'])]
    public function take(Request $request, int $id): Response
    {
        $open = $this->store->open($id);
        $form = $request->request;
        try {
            $balls = PhotoQuestion::balls($form->getString('balls'), $open->rack->table->size);
            $this->store->change($id, $form->getInt('version'), 'lay out from a photo', PhotoLayout::laid($open->rack, $balls));
        } catch (InvalidInput|StaleRack $e) {
            return $this->shown($id, $e->getMessage());
        }
        $form->getBoolean('keep') ? $this->photos->keep($id) : $this->photos->drop($id);

        return $this->redirectToRoute('rack', ['id' => $id], Response::HTTP_SEE_OTHER);
    }

    #[Route('/delete', name: 'photo_delete', methods: ['POST'])]
    public function delete(int $id): Response
    {
        $this->store->open($id);
        $this->photos->drop($id);

        return $this->redirectToRoute('photo', ['id' => $id], Response::HTTP_SEE_OTHER);
    }

    /** @param \Closure(SeenTable, Fields): array<string, mixed> $tell */
    private function answer(Request $request, int $id, \Closure $tell): Response
    {
        $geometry = $this->store->open($id)->rack->simulator()->geometry;
        try {
            $bytes = $this->photos->picture($id) ?? throw new InvalidInput('', 'The picture is no longer here: choose it again');
            $picture = GdPicture::read($bytes);
            $question = PhotoQuestion::of($request->getContent());
            $taps = PhotoQuestion::taps($question, $picture->width(), $picture->height());
            $seen = new SeenTable($picture, TapReview::of($taps, $geometry), $geometry);

            return new JsonResponse($tell($seen, $question), headers: ['Cache-Control' => 'no-store']);
        } catch (InvalidInput $e) {
            return new JsonResponse(['problem' => $e->getMessage()], Response::HTTP_UNPROCESSABLE_ENTITY);
        }
    }

    private function shown(int $id, ?string $problem = null): Response
    {
        $open = $this->store->open($id);
        $picture = null;
        $bytes = $this->photos->picture($id);
        if (null !== $bytes) {
            try {
                $picture = GdPicture::read($bytes);
            } catch (InvalidInput) {
                $problem ??= 'The picture of this rack is damaged: choose it again';
            }
        }

        return $this->render('photo.html.twig', [
            'open' => $open,
            'table' => new TableDrawing($open->rack->table),
            'picture' => $picture,
            'hash' => null === $bytes ? '' : hash('xxh128', $bytes),
            'kept' => $this->photos->kept($id) ?? false,
            'tips' => SeenTable::tips($open->rack->simulator()->geometry),
            'longest' => GdPicture::SENT,
            'problem' => $problem,
        ], new Response(
            status: null === $problem ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY,
            headers: ['Cache-Control' => 'no-store'],
        ));
    }
}
