<?php

declare(strict_types=1);

namespace ZigLane\Core\Player;

enum Hand: string
{
    case Right = 'right';
    case Left = 'left';
}
