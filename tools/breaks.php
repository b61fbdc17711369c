<?php

declare(strict_types=1);

// Breaks of every game, written to a file and read again: php tools/breaks.php BREAKS (for each game). Prints JSON; fails when a rack
// cannot be read again or a ball lies more than 10 nm elsewhere.

use ZigLane\Core\Games\GameName;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\FreshRack;

require dirname(__DIR__) . '/vendor/autoload.php';

$breaks = max(1, (int) ($argv[1] ?? 2000));
$beyond = 0;
$faults = [];
foreach (GameName::cases() as $game) {
    for ($number = 1; $number <= $breaks; ++$number) {
        try {
            $rack = FreshRack::broken($game, $number, Player::of(Level::League))->rack;
            $again = RackFile::read(JsonText::decode(RackFile::text($rack)));
        } catch (InvalidInput $e) {
            $faults[] = "$game->value $number: {$e->getMessage()}";
            continue;
        }
        foreach ($rack->layout->balls as $ball => $place) {
            if ($place->distanceTo($again->layout->ball($ball)) > 1e-8) {
                $faults[] = "$game->value $number: ball $ball is read again at another place";
            }
            [$x, $y] = $rack->table->size->diamondsOf($place);
            $beyond += $x < 0 || $x > 8 || $y < 0 || $y > 4 ? 1 : 0;
        }
    }
}
echo json_encode(['breaks' => $breaks * count(GameName::cases()), 'ballsBeyondTheNoseLine' => $beyond, 'faults' => $faults], JSON_THROW_ON_ERROR), "\n";
exit([] === $faults ? 0 : 1);
