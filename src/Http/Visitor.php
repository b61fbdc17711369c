<?php

declare(strict_types=1);

namespace ZigLane\App\Http;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Cookie;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\ResponseEvent;
use Symfony\Component\HttpKernel\KernelEvents;

/**
 * Tells visitors apart, so that they take turns: by a signed number in a cookie, else by their address. It says nothing about who
 * somebody is.
 */
final readonly class Visitor
{
    private const COOKIE = 'visitor';

    public function __construct(#[Autowire('%kernel.secret%')] private string $secret) {}

    public function of(Request $request): string
    {
        return $this->number($request) ?? 'at ' . ($request->getClientIp() ?? '?');
    }

    #[AsEventListener(KernelEvents::RESPONSE)]
    public function onResponse(ResponseEvent $event): void
    {
        $request = $event->getRequest();
        if (
            !$event->isMainRequest()
            || !$request->isMethod('GET')
            || '/ready' === $request->getPathInfo()
            || null !== $this->number($request)
        ) {
            return;
        }
        $number = bin2hex(random_bytes(8));
        $event->getResponse()->headers->setCookie(
            Cookie::create(self::COOKIE, $number . '.' . $this->sign($number), '+1 year', secure: false, sameSite: Cookie::SAMESITE_LAX),
        );
    }

    private function number(Request $request): ?string
    {
        $cookie = $request->cookies->all()[self::COOKIE] ?? null;
        $parts = \is_string($cookie) ? explode('.', $cookie, 2) : [];

        return 2 === \count($parts) && hash_equals($this->sign($parts[0]), $parts[1]) ? $parts[0] : null;
    }

    private function sign(string $number): string
    {
        return substr(hash_hmac('sha256', $number, $this->secret), 0, 24);
    }
}
