<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\Core\Experiments\Greedy;
use ZigLane\Core\Experiments\People;
use ZigLane\Core\Experiments\Planned;
use ZigLane\Core\Experiments\Season;
use ZigLane\Core\Experiments\Tally;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Planning\SearchBudget;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;

/**
 * Plays a season of fresh racks with execution error; needs no database.
 */
#[AsCommand('lane:season', 'Plays random racks with execution error and counts the run-outs')]
final class LaneSeasonCommand extends Command
{
    protected function configure(): void
    {
        $this->addOption('racks', null, InputOption::VALUE_REQUIRED, 'how many', '20');
        $this->addOption(
            'game',
            null,
            InputOption::VALUE_REQUIRED,
            implode(', ', array_column(GameName::cases(), 'value')),
            GameName::NineBall->value,
        );
        $this->addOption(
            'level',
            null,
            InputOption::VALUE_REQUIRED,
            implode(', ', array_column(Level::cases(), 'value')),
            Level::League->value,
        );
        $this->addOption(
            'policy',
            null,
            InputOption::VALUE_REQUIRED,
            'plan; people: one ball ahead, without side; or greedy: the easiest pot with a natural roll',
            'plan',
        );
        $this->addOption('rng', null, InputOption::VALUE_REQUIRED, 'seed of the breaks and the errors', '1');
        $this->addOption(
            'as-it-lies',
            null,
            InputOption::VALUE_NONE,
            'play on from where the break left the cue ball, not with the ball in hand',
        );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        try {
            $racks = (int) Say::number($input, 'racks', 1, 100_000);
            $seed = (int) Say::number($input, 'rng', 0, 1_000_000);
            $game = Say::one($input, 'game', GameName::class);
            $level = Say::one($input, 'level', Level::class);
            $policy = match ($input->getOption('policy')) {
                'plan' => new Planned(SearchBudget::season($game->rules())),
                'people' => new People(),
                'greedy' => new Greedy(),
                default => throw new InvalidInput('--policy', 'is none of plan, people and greedy'),
            };
        } catch (InvalidInput $e) {
            return Say::refuse($output, $e);
        }
        $tally = new Tally();
        $began = microtime(true);
        foreach ((new Season(
            $game,
            Player::of($level),
            $policy,
            $seed,
            true !== $input->getOption('as-it-lies'),
        ))->play($racks) as $played) {
            $tally->add($played);
            Say::errors($output)->writeln(
                \sprintf(
                    '%d: %s, predicted %.3f; %d of %d run out, predicted %.3f, %.0f s',
                    $tally->racks,
                    $played->ranOut ? 'out' : "shot $played->shots",
                    $played->predicted,
                    $tally->runOuts,
                    $tally->racks,
                    $tally->predicted(),
                    microtime(true) - $began,
                ),
                OutputInterface::OUTPUT_RAW | OutputInterface::VERBOSITY_VERBOSE,
            );
        }
        Say::json(
            $output,
            [
                'game' => $game->value,
                'level' => $level->value,
                'policy' => $input->getOption('policy'),
                'rng' => $seed,
            ] + $tally->describe() + ['secondsARack' => round((microtime(true) - $began) / $racks, 2)],
        );

        return Command::SUCCESS;
    }
}
