<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\Core\Breaks\BreakSearch;
use ZigLane\Core\Breaks\BreakTries;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Wording\BreakWording;

/**
 * Tries breaks with execution error and says which leaves a pot on most often; needs no database.
 */
#[AsCommand('lane:break', 'Tries breaks with execution error and says which goes on most often')]
final class LaneBreakCommand extends Command
{
    protected function configure(): void
    {
        $this->addOption('game', null, InputOption::VALUE_REQUIRED, 'nine-ball, ten-ball, eight-ball', GameName::NineBall->value);
        $this->addOption('level', null, InputOption::VALUE_REQUIRED, 'of the player', Level::League->value);
        $this->addOption('gap', null, InputOption::VALUE_REQUIRED, 'widest gap between racked balls, mm', '0.2');
        $this->addOption('rng', null, InputOption::VALUE_REQUIRED, 'seed of the racks and the errors', '1');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        try {
            $game = Say::one($input, 'game', GameName::class);
            $level = Say::one($input, 'level', Level::class);
            $gap = Say::number($input, 'gap', 0.0, 2.0) / 1000;
            $seed = (int) Say::number($input, 'rng', 0, 1_000_000);
            $search = new BreakSearch($game, Player::of($level), gap: $gap, seed: $seed);
        } catch (InvalidInput $e) {
            return Say::refuse($output, $e);
        }
        $best = [];
        foreach ($search->ranked() as $best) {
            Say::errors($output)->writeln(BreakWording::sentence($best[0]));
        }
        Say::json($output, [
            'game' => $game->value,
            'level' => $level->value,
            'breaks' => array_map(self::described(...), $best),
        ]);

        return self::SUCCESS;
    }

    /**
     * @return array<string, mixed>
     */
    private static function described(BreakTries $tries): array
    {
        $round = static fn(float $share): float => round($share, 4);
        $share = static fn(int $count): array => [
            'share' => $round($count / max(1, $tries->tries)),
            'interval' => array_map($round, $tries->between($count)),
        ];

        return [
            'aim' => $tries->stroke->aim->value,
            'mps' => $tries->stroke->speed,
            'asideDiamonds' => $tries->stroke->aside,
            'tries' => $tries->tries,
            'goesOn' => ['share' => $round($tries->goesOn()), 'interval' => array_map($round, $tries->goesOnBetween())],
            'ball' => $share($tries->kept),
            'scratch' => $share($tries->scratched),
            'wing' => $share($tries->wing),
            'won' => $share($tries->won),
            'nextPot' => $round($tries->nextPot()),
        ];
    }
}
