<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Psr\Log\LoggerInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Logbook\AttemptForm;
use ZigLane\App\Logbook\Entries;
use ZigLane\App\Logbook\Logbook;
use ZigLane\App\View\AttemptView;
use ZigLane\App\View\Units;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\Miss;

/**
 * One shot of the logbook: seen, corrected, deleted.
 *
 * @phpstan-import-type Row from Logbook
 */
#[Route('/logbook/shots/{id}', requirements: ['id' => '[0-9]{1,9}'])]
final class AttemptController extends AbstractController
{
    public function __construct(
        private readonly Logbook $logbook,
        private readonly Entries $entries,
        private readonly LoggerInterface $logger,
    ) {}

    #[Route('', name: 'attempt', methods: ['GET'])]
    public function attempt(Request $request, int $id): Response
    {
        return $this->page($request, $this->find($id));
    }

    #[Route('', name: 'attempt_change', methods: ['POST'])]
    public function change(Request $request, int $id): Response
    {
        $row = $this->find($id);
        try {
            $attempt = $this->logbook->read($row);
        } catch (InvalidInput) {
            return $this->page($request, $row);
        }
        try {
            $this->entries->change($id, AttemptForm::change($attempt, $request->request));
        } catch (InvalidInput $e) {
            return $this->page($request, $row, ucfirst($e->getMessage()) . '.');
        }

        return $this->redirectToRoute('attempt', ['id' => $id, 'kept' => 1], Response::HTTP_SEE_OTHER);
    }

    #[Route('/delete', name: 'attempt_delete', methods: ['POST'])]
    public function delete(int $id): Response
    {
        $row = $this->find($id);
        $this->logbook->delete($id, true);

        return $this->redirectToRoute('logbook_shots', ['session' => $row['session_id'], 'gone' => $id], Response::HTTP_SEE_OTHER);
    }

    #[Route('/restore', name: 'attempt_restore', methods: ['POST'])]
    public function restore(int $id): Response
    {
        $this->find($id);
        $this->logbook->delete($id, false);

        return $this->redirectToRoute('attempt', ['id' => $id], Response::HTTP_SEE_OTHER);
    }

    /** What is stored of an attempt, as it is: for one that cannot be read. */
    #[Route('/stored.txt', name: 'attempt_raw', methods: ['GET'])]
    public function raw(int $id): Response
    {
        return new Response((string) $this->find($id)['document'], 200, [
            'Content-Type' => 'text/plain; charset=UTF-8',
            'Content-Disposition' => HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, "shot-$id-as-stored.txt"),
        ]);
    }

    /** @param Row $row */
    private function page(Request $request, array $row, ?string $problem = null): Response
    {
        $units = Units::of($request);
        $view = $damage = null;
        try {
            $view = new AttemptView($this->logbook->read($row), $units);
        } catch (InvalidInput $e) {
            $damage = ucfirst($e->getMessage()) . '.';
            $this->logger->error('A stored attempt cannot be read.', ['attempt' => $row['id'], 'why' => $damage]);
        }

        return $this->render('attempt.html.twig', [
            'id' => (int) $row['id'],
            'row' => $row,
            'view' => $view,
            'damage' => $damage,
            'problem' => $problem,
            'misses' => Miss::cases(),
            'units' => $units,
            'typed' => null === $problem ? null : $request->request,
        ], new Response(
            status: null === $problem && null === $damage ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY,
            headers: ['Cache-Control' => 'no-store'],
        ));
    }

    /** @return Row */
    private function find(int $id): array
    {
        return $this->logbook->attempt($id) ?? throw $this->createNotFoundException("There is no shot $id in the logbook.");
    }
}
