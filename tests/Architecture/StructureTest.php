<?php

declare(strict_types=1);

namespace ZigLane\Tests\Architecture;

use PhpParser\Node;
use PhpParser\Node\Expr;
use PhpParser\Node\InterpolatedStringPart;
use PhpParser\Node\Name;
use PhpParser\Node\Scalar\String_;
use PhpParser\Node\Stmt\ClassLike;
use PhpParser\NodeFinder;
use PhpParser\NodeTraverser;
use PhpParser\NodeVisitor\NameResolver;
use PhpParser\ParserFactory;
use PHPUnit\Framework\TestCase;

/**
 * No class of the core depends on itself by way of others, only the games know which game it is, and sentences are made in Wording.
 */
final class StructureTest extends TestCase
{
    /** Five words or more that begin like a sentence, or fewer that end like one. */
    private const SENTENCE = '/^[A-Z][a-z’]*( [\w’%–\-"]+){4,}|^[A-Z]\S* .*\.$/u';

    /** @var array<string, list<Node>>|null by path */
    private static ?array $parsed = null;

    public function testNoClassDependsOnItself(): void
    {
        $needs = [];
        $finder = new NodeFinder();
        foreach (self::parsed() as $nodes) {
            $class = $finder->findFirstInstanceOf($nodes, ClassLike::class);
            self::assertNotNull($class?->namespacedName);
            $own = $class->namespacedName->toString();
            $needs[$own] = [];
            foreach ($finder->findInstanceOf($nodes, Name\FullyQualified::class) as $name) {
                if (str_starts_with($name->toString(), 'ZigLane\Core') && $name->toString() !== $own) {
                    $needs[$own][$name->toString()] = true;
                }
            }
        }
        // What needs nothing that is left is taken away, until only circles are left.
        do {
            $before = \count($needs);
            foreach ($needs as $class => $others) {
                if ([] === array_intersect_key($others, $needs)) {
                    unset($needs[$class]);
                }
            }
        } while (\count($needs) < $before);
        self::assertSame([], array_keys($needs), 'these, or some of them, depend on each other in a circle');
    }

    public function testOnlyTheGamesKnowWhichGameItIs(): void
    {
        $found = [];
        foreach (self::parsed() as $path => $nodes) {
            if (str_starts_with($path, 'Games/') || str_contains($path, '/Files/')) {
                continue;
            }
            foreach ((new NodeFinder())->findInstanceOf($nodes, Expr\ClassConstFetch::class) as $fetch) {
                if ($fetch->class instanceof Name && 'ZigLane\Core\Games\GameName' === $fetch->class->toString()) {
                    $found[] = $path;
                }
            }
        }
        self::assertSame([], $found);
    }

    /** What an exception says is left where it is thrown. */
    public function testSentencesAreMadeInWording(): void
    {
        $found = [];
        foreach (self::parsed() as $path => $nodes) {
            if (str_starts_with($path, 'Wording/')) {
                continue;
            }
            foreach (self::strings($nodes) as $text) {
                if (1 === preg_match(self::SENTENCE, $text)) {
                    $found[] = "$path: $text";
                }
            }
        }
        self::assertSame([], $found);
    }

    /**
     * Texts outside of what is thrown.
     *
     * @param list<Node> $nodes
     *
     * @return list<string>
     */
    private static function strings(array $nodes): array
    {
        $finder = new NodeFinder();
        $thrown = [];
        foreach ($finder->find($nodes, self::refuses(...)) as $refusal) {
            foreach ($finder->find($refusal, static fn(Node $n): bool => true) as $inside) {
                $thrown[spl_object_id($inside)] = true;
            }
        }
        $texts = [];
        foreach ($finder->find($nodes, static fn(Node $n): bool => $n instanceof String_ || $n instanceof InterpolatedStringPart) as $text) {
            if (!isset($thrown[spl_object_id($text)]) && ($text instanceof String_ || $text instanceof InterpolatedStringPart)) {
                $texts[] = $text->value;
            }
        }

        return $texts;
    }

    private static function refuses(Node $node): bool
    {
        return $node instanceof Expr\Throw_
            || ($node instanceof Expr\New_ && $node->class instanceof Name
                && is_a($node->class->toString(), \Throwable::class, true));
    }

    /**
     * @return array<string, list<Node>>
     */
    private static function parsed(): array
    {
        if (null === self::$parsed) {
            self::$parsed = [];
            $core = \dirname(__DIR__, 2) . '/core';
            $parser = (new ParserFactory())->createForNewestSupportedVersion();
            foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($core, \FilesystemIterator::SKIP_DOTS)) as $file) {
                self::assertInstanceOf(\SplFileInfo::class, $file);
                $traverser = new NodeTraverser();
                $traverser->addVisitor(new NameResolver());
                $nodes = $traverser->traverse($parser->parse((string) file_get_contents($file->getPathname())) ?? []);
                self::$parsed[substr($file->getPathname(), \strlen($core) + 1)] = array_values($nodes);
            }
        }

        return self::$parsed;
    }
}
