<?php

declare(strict_types=1);

namespace ZigLane\App\Profile;

enum ProfileKind: string
{
    case Table = 'table';
    case Cue = 'cue';
    case Player = 'player';
}
