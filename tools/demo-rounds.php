<?php

declare(strict_types=1);

// Makes demo/rounds.json: three months of tests of the demo's invented player, shot by the simulated player.
//   php tools/demo-rounds.php > demo/rounds.json
// The same every time.

use ZigLane\Core\Drills\DrillShooter;
use ZigLane\Core\Drills\Files\DrillFile;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Files\JsonText;

require dirname(__DIR__) . '/vendor/autoload.php';

const DRILLS = ['dead-stop', 'eight-bays', 'rows-back'];
const TESTS = 12;

$random = new Generator(20_261_127);
$league = Player::of(Level::League);
$rounds = [];
for ($n = 0; $n < TESTS; ++$n) {
    // A sixth off every error, as in the demo logbook.
    $skill = 1.1 - 0.17 * $n / (TESTS - 1);
    $player = new Player(Level::League, $league->aim * $skill, $league->speed * $skill, $league->tip * $skill, $league->hand, $league->reach);
    $at = (new DateTimeImmutable('2026-08-29T17:40:00Z'))->modify(sprintf('+%d minutes', (int) round($n * 84 * 1440 / (TESTS - 1)) + $random->integer(0, 50)));
    foreach (DRILLS as $k => $name) {
        $drill = DrillFile::read(JsonText::decode((string) file_get_contents(dirname(__DIR__) . "/drills/$name.json")));
        $rounds[] = [
            'key' => sprintf('made-up-round-%02d-%s', $n + 1, $name),
            'drill' => $name,
            'step' => $drill->steps[$drill->usualStep()]->name,
            'test' => true,
            'at' => $at->modify(sprintf('+%d minutes', 12 * $k))->format('Y-m-d\TH:i:s\Z'),
            'player' => 'Robin Vale',
            'place' => 'House table, made up',
            'points' => (new DrillShooter($drill, $player, $random))->points(),
            'repeats' => 0,
        ];
    }
    fwrite(STDERR, sprintf("%d of %d\n", $n + 1, TESTS));
}
echo "[\n" . implode(",\n", array_map(static fn(array $round): string => json_encode($round, JSON_THROW_ON_ERROR), $rounds)) . "\n]\n";
