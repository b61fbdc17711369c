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
 * Turns what a form says of the turn into a changed rack: who is played against, whether the ball is in hand, how a push-out and fouls in
 * a row stand, and what the house allows.
 */
final class TurnEditor
{
    private function __construct() {}

    /**
     * @param string           $op     "hand", "against", "push-out", "jumps", "called" or "fouls"
     * @param InputBag<string> $form
     * @param int              $chosen the stop or leg that was chosen
     *
     * @return array{Rack, string, int} the changed rack, what was done, the stop or leg to show now
     *
     * @throws InvalidInput
     */
    public static function edit(string $op, Rack $rack, InputBag $form, int $chosen): array
    {
        [$changed, $done] = match ($op) {
            'hand' => self::hand($rack, $form),
            'against' => self::against($rack, $form),
            'push-out' => self::pushOut($rack, $form),
            'jumps' => self::jumps($rack, $form),
            'called' => self::called($rack, $form),
            'fouls' => self::fouls($rack, $form),
            default => throw new \LogicException("Not of the turn: $op"),
        };

        return [$changed, $done, $chosen];
    }

    /**
     * Takes the ball in hand, anywhere or behind the head string, or gives it up.
     *
     * @param InputBag<string> $form
     *
     * @return array{Rack, string}
     */
    private static function hand(Rack $rack, InputBag $form): array
    {
        $inHand = $form->getBoolean('inHand');
        $kitchen = $inHand && $form->getBoolean('kitchen');

        return [$rack->withBallInHand($inHand, $kitchen), match (true) {
            $kitchen => 'take ball in hand behind the head string',
            $inHand => 'take ball in hand',
            default => 'give up ball in hand',
        }];
    }

    /**
     * Names who comes to the table when the turn ends, by level; nobody when empty.
     *
     * @param InputBag<string> $form
     *
     * @return array{Rack, string}
     */
    private static function against(Rack $rack, InputBag $form): array
    {
        $given = $form->getString('level');
        $level = '' === $given ? null : (Level::tryFrom($given) ?? throw new InvalidInput('level', 'is none that is known'));
        $changed = $rack->against(null === $level ? null : Player::of($level));

        return [$changed, null === $level ? 'play alone' : 'play against the level ' . $level->value];
    }

    /**
     * Says whether a plan may jump and curve.
     *
     * @param InputBag<string> $form
     *
     * @return array{Rack, string}
     */
    private static function jumps(Rack $rack, InputBag $form): array
    {
        $allowed = '1' === $form->getString('allowed');

        return [$rack->allowingJumps($allowed), $allowed ? 'plans may jump and curve' : 'plans stay on the cloth'];
    }

    /**
     * Says whether ball and pocket are called.
     *
     * @param InputBag<string> $form
     *
     * @return array{Rack, string}
     */
    private static function called(Rack $rack, InputBag $form): array
    {
        $called = '1' === $form->getString('called');
        // What is usual is not written down.
        $changed = $rack->calling($called === $rack->game->rules()->isCalled() ? null : $called);

        return [$changed, $called ? 'shots are called' : 'any ball counts'];
    }

    /**
     * Says how many fouls in a row the player and the other have made: "1,2".
     *
     * @param InputBag<string> $form
     *
     * @return array{Rack, string}
     */
    private static function fouls(Rack $rack, InputBag $form): array
    {
        if (1 !== preg_match('/^([0-9]),([0-9])$/', $form->getString('fouls'), $match)) {
            throw new InvalidInput('fouls', 'must be two numbers, the player\'s first: "0,2"');
        }
        $changed = $rack->withFouls((int) $match[1], (int) $match[2]);

        return [$changed, "fouls in a row: $match[1], the other $match[2]"];
    }

    /**
     * Says how a push-out stands.
     *
     * @param InputBag<string> $form
     *
     * @return array{Rack, string}
     */
    private static function pushOut(Rack $rack, InputBag $form): array
    {
        $stands = PushOut::tryFrom($form->getString('stands')) ?? throw new InvalidInput('stands', 'is none that is known');

        return [$rack->withPushOut($stands), match ($stands) {
            PushOut::None => 'no push-out',
            PushOut::Allowed => 'a push-out is allowed',
            PushOut::Offered => 'the other has pushed out',
        }];
    }
}
