<?php

declare(strict_types=1);

namespace ZigLane\App\Share;

/**
 * The links to one plan or drill, and where they are made.
 *
 * @phpstan-type Link array{address: string, made: \DateTimeImmutable|string, until: \DateTimeImmutable|string, takeBack: string}
 */
final readonly class LinkList
{
    /**
     * @param string $what  what they lead to: "the plan of rack 3"
     * @param string $hint  what whoever has one sees, a sentence
     * @param string $make  address to post to for another
     * @param string $back  address of the page they belong to
     * @param list<Link> $links those that can be opened, the newest first
     */
    public function __construct(public string $what, public string $hint, public string $make, public string $back, public array $links) {}
}
