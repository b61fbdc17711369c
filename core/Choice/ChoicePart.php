<?php

declare(strict_types=1);

namespace ZigLane\Core\Choice;

/**
 * What a choice is made of; each part is judged with those before it as they were chosen.
 */
enum ChoicePart: string
{
    case Pot = 'pot';
    case Order = 'order';
    case Spot = 'spot';
    case Stroke = 'stroke';
}
