<?php

declare(strict_types=1);

// Makes demo/logbook.jsonl: three months of an invented player's sessions, shot by the simulated player.
//   php tools/demo-logbook.php [SESSIONS] > demo/logbook.jsonl
// The same every time.

use ZigLane\Core\Games\GameName;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Logbook\AttemptFile;
use ZigLane\Core\Logbook\Forecast;
use ZigLane\Core\Logbook\NextTable;
use ZigLane\Core\Logbook\Session;
use ZigLane\Core\Logbook\SessionKind;
use ZigLane\Core\Logbook\SimulatedPlayer;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Planning\Beginnings;
use ZigLane\Core\Planning\LineMaker;
use ZigLane\Core\Planning\Planner;
use ZigLane\Core\Planning\SearchBudget;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\FreshRack;
use ZigLane\Core\Rack\Rack;

require dirname(__DIR__) . '/vendor/autoload.php';

const RACKS = 5;
const SHOTS = 12; // of one rack

$sessions = (int) ($argv[1] ?? 26);
$random = new Generator(20_261_126);
$league = Player::of(Level::League);
$day = new DateTimeImmutable('2026-08-27T18:30:00Z');
for ($n = 0; $n < $sessions; ++$n) {
    $at = $day->modify(sprintf('+%d minutes', (int) round($n * 87 * 1440 / max(1, $sessions - 1)) + $random->integer(0, 45)));
    // Three months of practice: a sixth off every error.
    $skill = 1.1 - 0.17 * $n / max(1, $sessions - 1);
    $player = new Player(Level::League, $league->aim * $skill, $league->speed * $skill, $league->tip * $skill, $league->hand, $league->reach, 'Robin Vale');
    $session = new Session(
        sprintf('made-up-session-%03d', $n + 1),
        $at,
        3 === $n % 4 ? SessionKind::Match : SessionKind::Practice,
        'Robin Vale',
        'House table',
        3 === $n % 4 ? 'Kim Ash' : '',
        'Made up: shot by a simulated player.',
        true,
    );
    for ($rack = 0; $rack < RACKS; ++$rack) {
        $game = 0 === $rack % 2 ? GameName::NineBall : GameName::EightBall;
        $fresh = FreshRack::broken($game, 1000 * $n + $rack + 1, $player)->rack->withBallInHand(true)->named('Made up');
        $at = shootOut($fresh, $session, sprintf('made-up-run-%03d-%d', $n + 1, $rack + 1), $at->modify('+4 minutes'), $random);
    }
    fwrite(STDERR, sprintf("%d of %d\n", $n + 1, $sessions));
}

/** Shoots a rack until it is over, and writes every shot. */
function shootOut(Rack $rack, Session $session, string $run, DateTimeImmutable $at, Generator $random): DateTimeImmutable
{
    $planner = new Planner($rack, SearchBudget::season($rack->rules()));
    for ($shot = 1; $shot <= SHOTS; ++$shot) {
        [$laid, $choice] = (new Beginnings($planner))->best($rack);
        $step = null === $choice ? null : (new LineMaker($laid))->step($planner, $planner, $laid, $choice);
        if (null === $step) {
            break;
        }
        $laid = $laid->withBallInHand(false);
        $at = $at->modify(sprintf('+%d seconds', $random->integer(25, 70)));
        $planned = $step->shot;
        $player = new SimulatedPlayer($laid, $planned->spec);
        $forecast = (new Forecast(
            round($planned->chances->pot, 4),
            [] === $planned->zone->rings ? null : round($planned->chances->position, 4),
            round($planned->chances->runOut, 4),
            zone: $planned->zone->rings,
        ))->stopping($player->meant(), $planned->pot->ball);
        // One in three shots was said beforehand, as people say it: a little too sure.
        $said = 0 === $random->integer(0, 2)
            ? min(0.95, round(($planned->chances->position + 0.1 + $random->between(-0.1, 0.1)) / 0.05) * 0.05)
            : null;
        $shotNow = $player->shoot($random, $at);
        $attempt = new Attempt(
            $at,
            $laid->withLegs([]),
            $planned->spec,
            $shotNow->result,
            forecast: $forecast,
            said: null === $said ? null : round($said, 2),
            key: "$run-$shot",
            session: $session,
            run: $run,
        );
        echo AttemptFile::line($attempt), "\n";
        if (!$attempt->result->made || null === $attempt->result->cue) {
            break;
        }
        try {
            $rack = NextTable::after($attempt);
        } catch (InvalidInput) {
            break;
        }
    }

    return $at;
}
