<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

enum IndirectKind: string
{
    case Bank = 'bank';
    case Carom = 'carom';
    case Combination = 'combination';
}
