<?php

declare(strict_types=1);

namespace ZigLane\App\Rack;

use Symfony\Component\HttpFoundation\InputBag;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\PushOut;
use ZigLane\Core\Rack\Rack;

/**
 * Turns what a form says of the turn into a changed rack: who is played against, how a push-out stands, and
 * whether jumps are allowed.
 */
final class TurnEditor
{
    private function __construct() {}

    /**
     * Names who comes to the table when the turn ends, by level; nobody when empty.
     *
     * @param InputBag<string> $form
     *
     * @return array{Rack, string, int}
     */
    public static function against(Rack $rack, InputBag $form, int $chosen): array
    {
        $given = $form->getString('level');
        $level = '' === $given ? null : (Level::tryFrom($given) ?? throw new InvalidInput('level', 'is none that is known'));
        $changed = $rack->against(null === $level ? null : Player::of($level));

        return [$changed, null === $level ? 'play alone' : 'play against the level ' . $level->value, $chosen];
    }

    /**
     * Says whether a plan may jump and curve.
     *
     * @param InputBag<string> $form
     *
     * @return array{Rack, string, int}
     */
    public static function jumps(Rack $rack, InputBag $form, int $chosen): array
    {
        $allowed = '1' === $form->getString('allowed');

        return [$rack->allowingJumps($allowed), $allowed ? 'plans may jump and curve' : 'plans stay on the cloth', $chosen];
    }

    /**
     * Says whether ball and pocket are called.
     *
     * @param InputBag<string> $form
     *
     * @return array{Rack, string, int}
     */
    public static function called(Rack $rack, InputBag $form, int $chosen): array
    {
        $called = '1' === $form->getString('called');
        // What is usual is not written down.
        $changed = $rack->calling($called === $rack->game->rules()->isCalled() ? null : $called);

        return [$changed, $called ? 'shots are called' : 'any ball counts', $chosen];
    }

    /**
     * Says how a push-out stands.
     *
     * @param InputBag<string> $form
     *
     * @return array{Rack, string, int}
     */
    public static function pushOut(Rack $rack, InputBag $form, int $chosen): array
    {
        $stands = PushOut::tryFrom($form->getString('stands')) ?? throw new InvalidInput('stands', 'is none that is known');

        return [$rack->withPushOut($stands), match ($stands) {
            PushOut::None => 'no push-out',
            PushOut::Allowed => 'a push-out is allowed',
            PushOut::Offered => 'the other has pushed out',
        }, $chosen];
    }
}
