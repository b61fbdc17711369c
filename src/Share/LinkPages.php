<?php

declare(strict_types=1);

namespace ZigLane\App\Share;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Twig\Environment;

/**
 * Pages of links that others read: where they are made and taken back, and what stands behind them.
 */
final readonly class LinkPages
{
    public function __construct(private Environment $twig, private LinkBase $base) {}

    /** @param string|null $problem why no link was made, a sentence */
    public function list(Request $request, LinkList $list, ?string $problem): Response
    {
        return new Response(
            $this->twig->render('links.html.twig', [
                'list' => $list,
                'base' => $this->base->of($request),
                'lan' => null !== $this->base->lan(),
                'days' => SharedPlans::DAYS,
                'problem' => $problem,
            ]),
            null === $problem ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY,
            ['Cache-Control' => 'no-store'],
        );
    }

    /**
     * What whoever has a link sees: kept by no cache, found by no search engine, told to no other site.
     *
     * @param array<string, mixed> $with
     */
    public function shared(bool $found, string $template, array $with): Response
    {
        return new Response(
            $this->twig->render($template, $with),
            $found ? Response::HTTP_OK : Response::HTTP_NOT_FOUND,
            ['Cache-Control' => 'no-store', 'X-Robots-Tag' => 'noindex', 'Referrer-Policy' => 'no-referrer'],
        );
    }
}
