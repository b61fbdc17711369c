<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

/**
 * A skill of a player that a plan rests on.
 */
enum Skill: string
{
    case Speed = 'speed';
    case Aim = 'aim';
}
