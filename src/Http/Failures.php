<?php

declare(strict_types=1);

namespace ZigLane\App\Http;

use Doctrine\DBAL\Exception\ConnectionException;
use Doctrine\DBAL\Exception\DatabaseObjectNotFoundException;
use Doctrine\DBAL\Exception\DriverException;
use Doctrine\DBAL\Exception\InvalidFieldNameException;
use Doctrine\DBAL\Exception\RetryableException;
use Psr\Log\LoggerInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Exception\RequestExceptionInterface;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;
use Symfony\Component\HttpKernel\KernelEvents;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Twig\Error\RuntimeError as TemplateError;

/**
 * What a failure means for who asked, and what of it is written down: requests that were refused (4xx, or not signed in) are no errors;
 * what passes by itself (the database is away) is answered with 503; all else is written with its trace.
 */
final readonly class Failures
{
    /** What MariaDB says when it is going or gone, beyond what Doctrine knows as a lost connection. */
    private const GONE = [1040, 1053, 1152, 1158, 1159, 1160, 1161, 1927, 2002, 2003, 2006, 2013, 2055];

    /** What MariaDB says when there is no room left on the disk. */
    private const FULL = [3, 1021, 1026, 1114];

    /** Seconds after which to try again. */
    private const AGAIN = 3;

    public function __construct(private LoggerInterface $logger) {}

    #[AsEventListener(KernelEvents::EXCEPTION, priority: 64)]
    public function onException(ExceptionEvent $event): void
    {
        $exception = $event->getThrowable();
        // A field that is no text is the sender's fault where a template reads it, too.
        $cause = $exception->getPrevious();
        if ($exception instanceof TemplateError && $cause instanceof RequestExceptionInterface) {
            $event->setThrowable($exception = $cause);
        }
        $passing = self::passing($exception);
        if (null !== $passing) {
            $this->logger->warning($passing, ['cause' => mb_strimwidth($exception->getMessage(), 0, 200, '…')]);
            $event->setThrowable(new ServiceUnavailableHttpException(self::AGAIN, $passing, $exception));

            return;
        }
        $refused = ($exception instanceof HttpExceptionInterface && $exception->getStatusCode() < 500)
            || $exception instanceof RequestExceptionInterface
            || $exception instanceof AccessDeniedException
            || $exception instanceof AuthenticationException;
        if ($refused) {
            $this->logger->info('Refused: ' . $exception->getMessage());
        } else {
            $this->logger->error($exception->getMessage(), ['exception' => $exception]);
        }
    }

    /** In words, why it will go again without anybody's doing; null for a fault. */
    public static function passing(\Throwable $exception): ?string
    {
        for ($e = $exception; null !== $e; $e = $e->getPrevious()) {
            if ($e instanceof DriverException && \in_array($e->getCode(), self::FULL, true)) {
                return 'There is no room left on the disk, so nothing new can be stored until some is freed.';
            }
            if ($e instanceof ConnectionException || ($e instanceof DriverException && \in_array($e->getCode(), self::GONE, true))) {
                return 'The database is away for a moment.';
            }
            if ($e instanceof RetryableException) {
                return 'Somebody else changed the same thing at the same moment.';
            }
            if ($e instanceof DatabaseObjectNotFoundException || $e instanceof InvalidFieldNameException) {
                return 'The database is from another version than the program. Start it again with bin/zig-lane start: that brings them together.';
            }
        }

        return null;
    }
}
