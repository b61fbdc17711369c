<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\Core\Experiments\Matches\Contestant;
use ZigLane\Core\Experiments\Matches\Effort;
use ZigLane\Core\Experiments\Matches\Matches;
use ZigLane\Core\Experiments\Matches\MatchPolicy;
use ZigLane\Core\Experiments\Matches\MatchRackFile;
use ZigLane\Core\Experiments\Matches\MatchTally;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;

/**
 * Plays matches of two players with execution error; needs no database.
 */
#[AsCommand('lane:match', 'Plays racks between two players with execution error and counts who wins')]
final class LaneMatchCommand extends Command
{
    private const GAMES = [GameName::NineBall, GameName::TenBall, GameName::EightBall];

    protected function configure(): void
    {
        $this->addOption('racks', null, InputOption::VALUE_REQUIRED, 'how many; each break is played twice, from both sides', '20');
        $this->addOption(
            'game',
            null,
            InputOption::VALUE_REQUIRED,
            implode(', ', array_map(static fn(GameName $game): string => $game->value, self::GAMES)),
            GameName::NineBall->value,
        );
        $this->addOption('levels', null, InputOption::VALUE_REQUIRED, 'of the two players, with a comma', 'league,league');
        $this->addOption(
            'policies',
            null,
            InputOption::VALUE_REQUIRED,
            'of the two, with a comma: advice; go: every pot there is; threshold: pots of 75 % and more, else the best safety',
            'advice,go',
        );
        $this->addOption('effort', null, InputOption::VALUE_REQUIRED, 'full, or quick: as the first answer is found', Effort::Full->value);
        $this->addOption(
            'results',
            null,
            InputOption::VALUE_REQUIRED,
            'a file: racks that it holds count and are not played again, others are added to it, two at a time',
        );
        $this->addOption('rng', null, InputOption::VALUE_REQUIRED, 'seed of the breaks and the errors', '1');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        try {
            $racks = (int) Say::number($input, 'racks', 1, 100_000);
            $seed = (int) Say::number($input, 'rng', 0, 1_000_000);
            $game = Say::one($input, 'game', GameName::class);
            if (!\in_array($game, self::GAMES, true)) {
                throw new InvalidInput('--game', 'is played for points, not for racks');
            }
            $effort = Say::one($input, 'effort', Effort::class);
            [$one, $two] = self::pair($input, 'levels', Level::class);
            [$first, $second] = self::pair($input, 'policies', MatchPolicy::class);
            $file = $input->getOption('results');
            $file = \is_string($file) ? $file : null;
            $known = null === $file || !is_file($file) ? [] : MatchRackFile::read((string) file_get_contents($file));
        } catch (InvalidInput $e) {
            return Say::refuse($output, $e);
        }
        $tally = new MatchTally();
        $began = microtime(true);
        $players = [new Contestant(Player::of($one), $first), new Contestant(Player::of($two), $second)];
        $pair = [];
        foreach ($known as $rack) {
            $tally->add($rack);
        }
        foreach ((new Matches($game, $players, $seed, $effort))->play($racks, \count($known)) as $rack) {
            $tally->add($rack);
            $pair[] = MatchRackFile::line($rack) . "\n";
            if (null !== $file && 2 === \count($pair)) {
                file_put_contents($file, implode('', array_splice($pair, 0)), \FILE_APPEND);
            }
            Say::errors($output)->writeln(
                \sprintf('%s, %.0f s', json_encode($tally->describe(), \JSON_THROW_ON_ERROR), microtime(true) - $began),
                OutputInterface::OUTPUT_RAW | OutputInterface::VERBOSITY_VERBOSE,
            );
        }
        Say::json($output, [
            'game' => $game->value,
            'levels' => [$one->value, $two->value],
            'policies' => [$first->value, $second->value],
            'effort' => $effort->value,
            'rng' => $seed,
        ] + $tally->describe() + ['secondsARack' => round((microtime(true) - $began) / max(1, $racks - \count($known)), 2)]);

        return Command::SUCCESS;
    }

    /**
     * @template T of \BackedEnum
     *
     * @param class-string<T> $enum
     *
     * @return array{T, T}
     *
     * @throws InvalidInput when the option is not two of its values
     */
    private static function pair(InputInterface $input, string $option, string $enum): array
    {
        $given = $input->getOption($option);
        $tried = static fn(string $one): ?\BackedEnum => $enum::tryFrom(trim($one));
        $pair = array_map($tried, explode(',', \is_string($given) ? $given : ''));
        if (2 !== \count($pair) || null === $pair[0] || null === $pair[1]) {
            throw new InvalidInput("--$option", 'needs two of ' . implode(', ', array_column($enum::cases(), 'value')) . ', with a comma');
        }

        return [$pair[0], $pair[1]];
    }
}
