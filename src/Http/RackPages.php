<?php

declare(strict_types=1);

namespace ZigLane\App\Http;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\HttpKernel\KernelEvents;
use Symfony\Component\Routing\Generator\UrlGeneratorInterface;
use Twig\Environment;
use ZigLane\App\Rack\DamagedRack;
use ZigLane\App\Rack\DeletedRack;
use ZigLane\App\Rack\NoSuchRack;

/**
 * Pages for racks that cannot be opened: deleted ones can be put back, of damaged ones the text can be saved.
 */
final readonly class RackPages
{
    public function __construct(private Environment $twig, private UrlGeneratorInterface $urls) {}

    #[AsEventListener(KernelEvents::EXCEPTION, priority: 128)]
    public function onException(ExceptionEvent $event): void
    {
        $exception = $event->getThrowable();
        if ($exception instanceof NoSuchRack) {
            $event->setThrowable(new NotFoundHttpException($exception->getMessage(), $exception));
        } elseif ($exception instanceof DeletedRack || $exception instanceof DamagedRack) {
            // What htmx asked for would land in the middle of a page: it goes to the whole page instead.
            if ($event->getRequest()->headers->has('HX-Request')) {
                $event->setResponse(
                    new Response(headers: ['HX-Redirect' => $this->urls->generate('rack', ['id' => $exception->record->id()])]),
                );
                $event->allowCustomResponseCode();

                return;
            }
            $event->setResponse(new Response(
                $this->twig->render(
                    $exception instanceof DeletedRack ? 'deleted.html.twig' : 'damaged.html.twig',
                    ['record' => $exception->record, 'why' => $exception->getMessage()],
                ),
                $exception instanceof DeletedRack ? Response::HTTP_GONE : Response::HTTP_UNPROCESSABLE_ENTITY,
                ['Cache-Control' => 'no-store'],
            ));
        }
    }
}
