<?php

declare(strict_types=1);

namespace ZigLane\Tests\Architecture;

use PhpParser\Node;
use PhpParser\Node\Expr;
use PhpParser\Node\MatchArm;
use PhpParser\Node\Stmt;
use PhpParser\Node\Stmt\ClassLike;
use PhpParser\Node\Stmt\ClassMethod;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;
use PHPUnit\Framework\TestCase;

/**
 * Lines of the core and the application are at most 140 characters long, but for a line that is one piece of text; every public method
 * of the core says what it is; classes and methods are small. The kernel's folder is the one exception: docs/decisions/009.
 */
final class SizesTest extends TestCase
{
    private const LONGEST = 140;

    /** One string, perhaps returned or handed on; a migration's statement. */
    private const TEXT = '/^\s*(return |throw new \w+\()?[\'"].*[\'"][,;)]*$/';

    private const CLASS_LINES = 350;
    private const METHOD_LINES = 60;
    private const BRANCHES = 15;
    private const PARAMETERS = 5;

    /** A constructor may have more: its arguments have names, and are what the object keeps or works with. */
    private const CONSTRUCTOR = 10;

    private const KERNEL = 'core/Physics/Internal/';

    public function testClassesAndMethodsAreSmall(): void
    {
        $parser = (new ParserFactory())->createForNewestSupportedVersion();
        $finder = new NodeFinder();
        $large = [];
        foreach (self::files('core', 'src', 'tools') as $path => $code) {
            if (str_starts_with($path, self::KERNEL)) {
                continue;
            }
            foreach ($finder->findInstanceOf($parser->parse($code) ?? [], ClassLike::class) as $class) {
                if (self::lines($class) > self::CLASS_LINES) {
                    $large[] = \sprintf('%s: %d lines', $path, self::lines($class));
                }
                foreach ($class->getMethods() as $method) {
                    foreach (self::faults($method, $finder) as $fault) {
                        $large[] = "$path, {$method->name->name}(): $fault";
                    }
                }
            }
        }
        self::assertSame([], $large);
    }

    /**
     * @return list<string>
     */
    private static function faults(ClassMethod $method, NodeFinder $finder): array
    {
        $branches = \count($finder->find($method->stmts ?? [], self::isBranch(...)));
        $most = '__construct' === $method->name->name ? self::CONSTRUCTOR : self::PARAMETERS;
        $parameters = \count($method->params);

        return array_values(array_filter([
            self::lines($method) > self::METHOD_LINES ? self::lines($method) . ' lines' : '',
            $branches > self::BRANCHES ? "$branches branches" : '',
            $parameters > $most ? "$parameters parameters" : '',
        ]));
    }

    private static function lines(Node $node): int
    {
        return $node->getEndLine() - $node->getStartLine() + 1;
    }

    /** Branches as McCabe counts them (T. J. McCabe, "A complexity measure", IEEE Trans. Softw. Eng. 2, 1976). */
    private static function isBranch(Node $node): bool
    {
        return match (true) {
            $node instanceof Stmt\If_, $node instanceof Stmt\ElseIf_, $node instanceof Stmt\For_, $node instanceof Stmt\Foreach_,
            $node instanceof Stmt\While_, $node instanceof Stmt\Do_, $node instanceof Stmt\Catch_, $node instanceof Expr\Ternary,
            $node instanceof Expr\BinaryOp\BooleanAnd, $node instanceof Expr\BinaryOp\BooleanOr => true,
            $node instanceof Stmt\Case_ => null !== $node->cond,
            $node instanceof MatchArm => null !== $node->conds,
            default => false,
        };
    }

    /**
     * @return iterable<string, string> code by path
     */
    private static function files(string ...$folders): iterable
    {
        $root = \dirname(__DIR__, 2);
        foreach ($folders as $folder) {
            foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator("$root/$folder", \FilesystemIterator::SKIP_DOTS)) as $file) {
                self::assertInstanceOf(\SplFileInfo::class, $file);
                yield substr($file->getPathname(), \strlen($root) + 1) => (string) file_get_contents($file->getPathname());
            }
        }
    }

    public function testLinesAreShort(): void
    {
        $long = [];
        foreach (self::files('core', 'src') as $path => $code) {
            foreach (explode("\n", $code) as $n => $line) {
                if (mb_strlen($line) > self::LONGEST && 1 !== preg_match(self::TEXT, $line)) {
                    $long[] = \sprintf('%s line %d: %d', $path, $n + 1, mb_strlen($line));
                }
            }
        }
        self::assertSame([], $long);
    }

    public function testEveryPublicMethodOfTheCoreSaysWhatItIs(): void
    {
        $silent = [];
        $core = \dirname(__DIR__, 2) . '/core';
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($core, \FilesystemIterator::SKIP_DOTS)) as $file) {
            self::assertInstanceOf(\SplFileInfo::class, $file);
            $name = 'ZigLane\\Core\\' . strtr(substr($file->getPathname(), \strlen($core) + 1, -4), '/', '\\');
            self::assertTrue(class_exists($name) || interface_exists($name) || trait_exists($name), $name);
            $class = new \ReflectionClass($name);
            $above = array_filter([...$class->getInterfaces(), $class->getParentClass()]);
            foreach ($class->getMethods(\ReflectionMethod::IS_PUBLIC) as $method) {
                $own = $method->getDeclaringClass()->getName() === $name && $method->isUserDefined() && !$method->isConstructor();
                $inherits = [] !== array_filter($above, static fn(\ReflectionClass $c): bool => $c->hasMethod($method->getName()));
                if ($own && !$inherits && false === $method->getDocComment()) {
                    $silent[] = $class->getShortName() . '::' . $method->getName();
                }
            }
        }
        self::assertSame([], $silent);
    }
}
