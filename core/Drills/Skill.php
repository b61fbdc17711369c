<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills;

/**
 * What a drill trains.
 */
enum Skill: string
{
    case Stop = 'stop';
    case Follow = 'follow';
    case Draw = 'draw';
    case Stun = 'stun';
    case Speed = 'speed';
    case Side = 'side';
    case Position = 'position';
    case Pattern = 'pattern';
    case ThinCut = 'thin-cut';
    case LongPot = 'long-pot';
    case Breakout = 'breakout';
    case Bank = 'bank';
    case Kick = 'kick';
    case Safety = 'safety';
    case BreakShot = 'break-shot';
    case Choice = 'choice';
}
