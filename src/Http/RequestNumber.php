<?php

declare(strict_types=1);

namespace ZigLane\App\Http;

use Monolog\Attribute\AsMonologProcessor;
use Monolog\LogRecord;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\Event\ResponseEvent;
use Symfony\Component\HttpKernel\KernelEvents;

/**
 * Gives each request a number that stands in the log, in the answer's headers and on the page that says something went wrong.
 */
#[AsMonologProcessor]
final readonly class RequestNumber
{
    public const ATTRIBUTE = '_number';

    public function __construct(private RequestStack $requests) {}

    #[AsEventListener(KernelEvents::REQUEST, priority: 2000)]
    public function onRequest(RequestEvent $event): void
    {
        if ($event->isMainRequest()) {
            $event->getRequest()->attributes->set(self::ATTRIBUTE, bin2hex(random_bytes(5)));
        }
    }

    #[AsEventListener(KernelEvents::RESPONSE)]
    public function onResponse(ResponseEvent $event): void
    {
        $number = $event->getRequest()->attributes->get(self::ATTRIBUTE);
        if (\is_string($number)) {
            $event->getResponse()->headers->set('X-Request-Id', $number);
        }
    }

    public function __invoke(LogRecord $record): LogRecord
    {
        $request = $this->requests->getMainRequest();
        if (null !== $request) {
            $route = $request->attributes->get('_route');
            $record->extra += [
                'request' => $request->attributes->get(self::ATTRIBUTE),
                'method' => $request->getMethod(),
                'path' => mb_strimwidth($request->getPathInfo(), 0, 200, '…'),
                'route' => \is_string($route) ? $route : null,
            ];
        }

        return $record;
    }
}
