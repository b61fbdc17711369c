<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Entity\Upload;
use ZigLane\App\Http\TooMany;
use ZigLane\App\Http\UploadedText;
use ZigLane\App\Logbook\ImportAttempts;
use ZigLane\App\Logbook\Logbook;
use ZigLane\App\Logbook\LogbookFilter;
use ZigLane\App\Work\Answer;
use ZigLane\App\Work\TaskDesk;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\AttemptCsv;

/**
 * The logbook as files, out and in.
 */
#[Route('/logbook')]
final class LogbookFileController extends AbstractController
{
    public function __construct(
        private readonly Logbook $logbook,
        private readonly EntityManagerInterface $entities,
        private readonly TaskDesk $desk,
        private readonly ClockInterface $clock,
    ) {}

    #[Route('/shots.{format}', name: 'logbook_export', requirements: ['format' => 'jsonl|csv'], methods: ['GET'])]
    public function export(Request $request, string $format): Response
    {
        $filter = LogbookFilter::of($request->query);
        $response = new StreamedResponse(function () use ($filter, $format): void {
            $csv = 'csv' === $format;
            echo $csv ? AttemptCsv::head() . "\r\n" : '';
            foreach ($this->logbook->lines($filter) as $line) {
                try {
                    echo $csv ? AttemptCsv::ofLine($line) . "\r\n" : "$line\n";
                } catch (\JsonException) {
                    // A damaged one is left out of a spreadsheet; among the lines it is named when they are read.
                }
            }
        });
        $response->headers->set('Content-Type', 'csv' === $format ? 'text/csv; charset=UTF-8' : 'application/jsonl; charset=UTF-8');
        $response->headers->set(
            'Content-Disposition',
            HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, "logbook.$format"),
        );

        return $response;
    }

    #[Route('/import', name: 'logbook_import', methods: ['POST'])]
    public function import(Request $request): Response
    {
        try {
            $file = UploadedText::of($request, 'file', ImportAttempts::LARGEST);
            if (!mb_check_encoding($file->text, 'UTF-8')) {
                throw new InvalidInput('', 'The file is not text in UTF-8.');
            }
        } catch (InvalidInput $e) {
            return $this->state(new Answer(null, true, $e->problem));
        }
        $name = mb_strimwidth(mb_scrub(basename($file->name)), 0, 120, '…');
        $upload = new Upload(bin2hex(random_bytes(12)), $name, $file->text, $this->clock->now());
        $this->entities->persist($upload);
        $this->entities->flush();

        return $this->redirectToRoute('logbook_imported', ['id' => $upload->id()], Response::HTTP_SEE_OTHER);
    }

    #[Route('/import/{id}', name: 'logbook_imported', requirements: ['id' => '[0-9a-f]{24}'], methods: ['GET'])]
    public function imported(string $id): Response
    {
        try {
            return $this->state($this->desk->ask(ImportAttempts::class, [$id]));
        } catch (TooMany $e) {
            return $this->state(new Answer(null, true, $e->getMessage()));
        }
    }

    /** @param Answer<mixed> $answer */
    private function state(Answer $answer): Response
    {
        return $this->render('logbook_import.html.twig', ['answer' => $answer], new Response(
            status: null === $answer->problem ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY,
            headers: ['Cache-Control' => 'no-store'],
        ));
    }
}
