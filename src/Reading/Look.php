<?php

declare(strict_types=1);

namespace ZigLane\App\Reading;

use Symfony\Component\HttpFoundation\InputBag;
use ZigLane\Core\Equipment\Pocket;

/**
 * What of a table is looked at: the whole, one ball, or one ball in one pocket. Written "table", "5" or "5@foot-left".
 */
final readonly class Look
{
    private function __construct(public ?int $ball = null, public ?Pocket $pocket = null) {}

    /**
     * @param InputBag<string> $from a request's query or form
     *
     * @return self|null null when nothing is read
     */
    public static function of(InputBag $from): ?self
    {
        $text = $from->getString('read');
        if ('' === $text) {
            return null;
        }
        if (1 !== preg_match('/^(\d{1,2})(?:@([a-z-]{4,12}))?$/D', $text, $m)) {
            return new self();
        }

        return new self((int) $m[1], Pocket::tryFrom($m[2] ?? ''));
    }

    public function text(): string
    {
        return match (true) {
            null === $this->ball => 'table',
            null === $this->pocket => (string) $this->ball,
            default => "{$this->ball}@{$this->pocket->value}",
        };
    }
}
