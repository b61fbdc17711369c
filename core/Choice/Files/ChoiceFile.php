<?php

declare(strict_types=1);

namespace ZigLane\Core\Choice\Files;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Choice\Choice;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\Fields;
use ZigLane\Core\Rack\Files\ShotSpecFile;
use ZigLane\Core\Rack\Rack;

/**
 * A choice as JSON: the stroke as a rack file has it, the spot in diamonds, the order.
 */
final class ChoiceFile
{
    private function __construct() {}

    /**
     * @return array<string, mixed> ready for json_encode
     */
    public static function write(Choice $choice, Rack $rack): array
    {
        return [
            'shot' => ShotSpecFile::write($choice->spec()),
            'spot' => $rack->table->size->diamondsOf($choice->spot),
            'order' => array_map(BallId::name(...), $choice->order),
        ];
    }

    /**
     * @param mixed $data decoded, objects as \stdClass
     *
     * @throws InvalidInput that names the path of the fault: also where the rack does not have the balls
     */
    public static function read(mixed $data, Rack $rack): Choice
    {
        $fields = new Fields($data, 'choice');
        $shot = ShotSpecFile::read($fields->raw('shot'), 'choice.shot');
        if (null === $shot->ball || null === $shot->pocket || !$shot->intent->isPlain()) {
            throw new InvalidInput('choice.shot', 'names no ball and pocket');
        }
        $legal = $rack->rules()->legalTargets($rack->layout);
        if (!\in_array($shot->ball, $legal, true)) {
            throw new InvalidInput('choice.shot.ball', \sprintf('%s is not on now', BallId::name($shot->ball)));
        }
        $spot = $fields->raw('spot');
        if (!\is_array($spot) || !array_is_list($spot) || 2 !== \count($spot)) {
            throw new InvalidInput('choice.spot', 'must be two numbers: diamonds along and across');
        }
        $at = $rack->table->size->pointAt(
            Fields::finite($spot[0], 'choice.spot[0]', 0.0, 8.0, 'diamonds'),
            Fields::finite($spot[1], 'choice.spot[1]', 0.0, 4.0, 'diamonds'),
        );

        return new Choice(new Pot($shot->ball, $shot->pocket), $at, $shot->speed, $shot->tip, self::order($fields, $rack, $shot->ball));
    }

    /**
     * @return list<int> empty where the rules give the order
     *
     * @throws InvalidInput
     */
    private static function order(Fields $fields, Rack $rack, int $first): array
    {
        if ($rack->rules()->hasFixedOrder()) {
            return [];
        }
        $given = $fields->raw('order');
        $order = [];
        foreach (\is_array($given) ? array_values($given) : [] as $n => $name) {
            $ball = \is_string($name) || \is_int($name) ? BallId::fromName((string) $name) : null;
            if (null === $ball || BallId::CUE === $ball || !$rack->layout->has($ball) || \in_array($ball, $order, true)) {
                throw new InvalidInput("choice.order[$n]", 'is no ball on the table, or named twice');
            }
            $order[] = $ball;
        }
        if ([] !== $order && $order[0] !== $first) {
            throw new InvalidInput('choice.order', 'does not begin with the ball that is shot');
        }
        if ([] !== array_diff($rack->rules()->ownBalls($rack->layout), $order)) {
            throw new InvalidInput('choice.order', 'does not name all balls that are to be potted');
        }

        return $order;
    }
}
