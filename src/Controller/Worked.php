<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Component\HttpFoundation\Response;
use ZigLane\App\Http\TooMany;
use ZigLane\App\Work\Answer;
use ZigLane\Core\InvalidInput;

/**
 * Answers that a worker works out: 200 with the last one, 202 with what there is so far (ask again in a moment), 422 in words when
 * there is none, 429 when too much is asked at once.
 */
trait Worked
{
    /** Seconds until a page asks again (public/app/ask.mjs reads it). */
    private const AGAIN = 0.25;

    /**
     * @param callable(): Answer<mixed>   $ask
     * @param callable(mixed): Response $show
     */
    private function worked(callable $ask, callable $show): Response
    {
        try {
            $answer = $ask();
            if (null !== $answer->problem) {
                throw new InvalidInput('', $answer->problem);
            }
            $response = null === $answer->value ? new Response() : $show($answer->value);
            if (!$answer->settled) {
                $response->setStatusCode(Response::HTTP_ACCEPTED);
                $response->headers->set('X-Ask-Again', (string) self::AGAIN);
            }
        } catch (InvalidInput $e) {
            $response = new Response(
                $e->getMessage(),
                Response::HTTP_UNPROCESSABLE_ENTITY,
                ['Content-Type' => 'text/plain; charset=UTF-8'],
            );
        } catch (TooMany $e) {
            $response = new Response(
                $e->getMessage(),
                Response::HTTP_TOO_MANY_REQUESTS,
                ['Content-Type' => 'text/plain; charset=UTF-8', 'Retry-After' => '3'],
            );
        }
        $response->headers->set('Cache-Control', 'no-store');

        return $response;
    }
}
