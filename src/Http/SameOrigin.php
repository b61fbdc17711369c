<?php

declare(strict_types=1);

namespace ZigLane\App\Http;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\Event\ResponseEvent;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;
use Symfony\Component\HttpKernel\KernelEvents;

/**
 * Only our own pages may change anything: a browser says where a request comes from, and another origin is refused.
 * Also tells the browser to load nothing from elsewhere.
 */
final class SameOrigin
{
    #[AsEventListener(KernelEvents::REQUEST, priority: 100)]
    public function onRequest(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if (!$event->isMainRequest() || $request->isMethodSafe()) {
            return;
        }
        $site = $request->headers->get('Sec-Fetch-Site');
        $origin = $request->headers->get('Origin') ?? self::originOf($request->headers->get('Referer'));
        $foreign = (null !== $site && !\in_array($site, ['same-origin', 'none'], true))
            || (null !== $origin && $origin !== $request->getSchemeAndHttpHost());
        if ($foreign) {
            throw new AccessDeniedHttpException('This change was asked for by a page of another site and was refused.');
        }
    }

    #[AsEventListener(KernelEvents::RESPONSE)]
    public function onResponse(ResponseEvent $event): void
    {
        $headers = $event->getResponse()->headers;
        $headers->set(
            'Content-Security-Policy',
            "default-src 'self'; img-src 'self' data:; frame-ancestors 'none'; base-uri 'none'; form-action 'self'",
        );
        $headers->set('X-Content-Type-Options', 'nosniff');
        $headers->set('X-Frame-Options', 'DENY');
        $headers->set('Referrer-Policy', 'same-origin');
    }

    private static function originOf(?string $referer): ?string
    {
        if (null === $referer) {
            return null;
        }
        $parts = parse_url($referer);

        return \is_array($parts) && isset($parts['scheme'], $parts['host'])
            ? $parts['scheme'] . '://' . $parts['host'] . (isset($parts['port']) ? ':' . $parts['port'] : '')
            : 'null';
    }
}
