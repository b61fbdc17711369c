<?php

declare(strict_types=1);

namespace ZigLane\Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/**
 * The lines between the parts, held by phpstan.
 */
final class CoreDependsOnNothing
{
    public function testCoreDependsOnNothingButItself(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('ZigLane\Core'))
            ->canOnly()->dependOn()
            ->classes(
                Selector::inNamespace('ZigLane\Core'),
                Selector::isStandardClass(),
            )
            ->because('the core is rules and computation alone: no framework, database or interface');
    }
}
