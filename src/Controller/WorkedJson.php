<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use ZigLane\App\Http\TooMany;
use ZigLane\App\Work\Answer;
use ZigLane\Core\InvalidInput;

/**
 * JSON that a worker works out: the last answer, or 202 with what there is so far (ask again in a moment); 422 with a "problem" in words,
 * 429 when too much is asked at once.
 */
trait WorkedJson
{
    /**
     * @param callable(): Answer<mixed>                        $ask
     * @param callable(array<mixed>): array<string, mixed>     $soFar what is told meanwhile, of what is known
     * @param callable(array<mixed>): JsonResponse             $done  of the last answer
     */
    private function workedJson(callable $ask, callable $soFar, callable $done): JsonResponse
    {
        try {
            $answer = $ask();
            if (null !== $answer->problem) {
                throw new InvalidInput('', $answer->problem);
            }
            $found = \is_array($answer->value) ? $answer->value : [];
            $response = $answer->settled ? $done($found) : new JsonResponse($soFar($found), Response::HTTP_ACCEPTED);
        } catch (InvalidInput $e) {
            $response = self::refused($e);
        } catch (TooMany $e) {
            $response = new JsonResponse(['problem' => $e->getMessage()], Response::HTTP_TOO_MANY_REQUESTS, ['Retry-After' => '3']);
        }
        $response->headers->set('Cache-Control', 'no-store');

        return $response;
    }

    private static function refused(InvalidInput $why): JsonResponse
    {
        return new JsonResponse(['problem' => ucfirst($why->getMessage())], Response::HTTP_UNPROCESSABLE_ENTITY);
    }
}
