<?php

declare(strict_types=1);

namespace ZigLane\App\SignIn;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\RequestMatcherInterface;

/**
 * Requests that came over the local network: the web server says so, on what it listens there. A client cannot.
 */
final class FromLan implements RequestMatcherInterface
{
    /** Set by ops/nginx-server.conf; headers of a client begin with HTTP_. */
    public const SAID = 'ZIG_LANE_LAN';

    public function matches(Request $request): bool
    {
        return '1' === $request->server->get(self::SAID);
    }
}
