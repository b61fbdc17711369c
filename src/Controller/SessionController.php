<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Form\FormFactoryInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Entity\SessionRecord;
use ZigLane\App\Form\Complaints;
use ZigLane\App\Form\SessionType;
use ZigLane\App\Logbook\Logbook;
use ZigLane\App\Logbook\LogbookEdition;
use ZigLane\App\Logbook\LogbookFilter;
use ZigLane\App\Logbook\LogbookSums;
use ZigLane\App\View\ShareRow;
use ZigLane\Core\Logbook\Session;
use ZigLane\Core\Logbook\SessionKind;

/**
 * One session of the logbook: what is said of it, and its end.
 */
#[Route('/logbook/sessions/{id}', requirements: ['id' => '[0-9]{1,9}'])]
final class SessionController extends AbstractController
{
    public function __construct(
        private readonly Logbook $logbook,
        private readonly LogbookSums $sums,
        private readonly EntityManagerInterface $entities,
        private readonly FormFactoryInterface $forms,
        private readonly ClockInterface $clock,
        private readonly LogbookEdition $edition,
    ) {}

    #[Route('', name: 'session', methods: ['GET', 'POST'])]
    public function session(Request $request, int $id): Response
    {
        $record = $this->find($id);
        $session = $record->session();
        $form = $this->forms->createNamed('', SessionType::class, [
            'kind' => $session->kind->value,
            'player' => $session->player,
            'place' => $session->place,
            'opponent' => $session->opponent,
            'notes' => $session->notes,
        ]);
        $form->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $answers = $form->getData();
            $text = static fn(string $key): string => \is_string($answers[$key] ?? null) ? trim($answers[$key]) : '';
            $record->change(new Session(
                $session->key,
                $session->at,
                SessionKind::tryFrom($text('kind')) ?? $session->kind,
                $text('player'),
                $text('place'),
                $text('opponent'),
                $text('notes'),
                $session->madeUp,
            ));
            $this->keep();

            return $this->redirectToRoute('logbook', [], Response::HTTP_SEE_OTHER);
        }
        $problem = Complaints::sentence($form);

        return $this->render('session.html.twig', [
            'id' => $id,
            'record' => $record,
            'session' => $session,
            'form' => $form,
            'problem' => $problem,
            'total' => new ShareRow('', $this->sums->sums(new LogbookFilter($id))),
        ], new Response(status: '' === $problem ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY));
    }

    #[Route('/delete', name: 'session_delete', methods: ['POST'])]
    public function delete(int $id): Response
    {
        $this->find($id)->delete($this->clock->now());
        $this->keep();

        return $this->redirectToRoute('logbook', ['gone' => $id], Response::HTTP_SEE_OTHER);
    }

    #[Route('/restore', name: 'session_restore', methods: ['POST'])]
    public function restore(int $id): Response
    {
        $this->find($id)->restore();
        $this->keep();

        return $this->redirectToRoute('logbook', [], Response::HTTP_SEE_OTHER);
    }

    private function keep(): void
    {
        $this->entities->flush();
        $this->edition->next();
    }

    private function find(int $id): SessionRecord
    {
        return $this->logbook->session($id) ?? throw $this->createNotFoundException("There is no session $id.");
    }
}
