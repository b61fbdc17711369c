<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\App\CoreJit;
use ZigLane\Core\Games\GameName;
use ZigLane\Tools\Bench\Bench;

/**
 * How fast the core is on this machine; needs no database.
 */
#[AsCommand('lane:bench', 'Measures the simulator, the searches and the planner on a fixed workload')]
final class LaneBenchCommand extends Command
{
    protected function configure(): void
    {
        $this->addOption('processes', null, InputOption::VALUE_REQUIRED, 'processes that share one plan', '1');
        $this->addOption('plans', null, InputOption::VALUE_NONE, 'also how planning grows with the balls');
        $this->addOption('quality', null, InputOption::VALUE_NONE, 'also how often 20 racks of each game are run out, and were to be');
        $this->addOption('curve', null, InputOption::VALUE_NONE, 'also how the cost of a shot grows with balls and speed');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $bench = new Bench();
        $shots = $bench->shotsPerSecond();
        $answer = [
            'jit' => CoreJit::mode(),
            'shotsPerSecond' => (int) round($shots['warm']),
            'coldShotsPerSecond' => (int) round($shots['cold']),
            'aimSolveMs' => round($bench->aimSolveMs(), 3),
            'breakMs' => round($bench->breakMs(), 2),
            'readingMs' => round($bench->readingMs()),
            'zoneMs' => round($bench->zoneMs()),
        ];
        $routes = $bench->routes();
        $answer += [
            'firstRoutesMs' => round($routes['first']),
            'settledRoutesMs' => round($routes['settled']),
            'routeShots' => $routes['shots'],
        ];
        $processes = (int) Say::number($input, 'processes', 1, 64);
        $plans = $bench->plans(processes: $processes);
        $answer += [
            'firstPlanSeconds' => round($plans['first'], 2),
            'settledPlanSeconds' => round($plans['settled'], 1),
            'memoryMb' => round($plans['memory']),
            'meanRunOut' => round($plans['runOut'], 3),
        ];
        if (true === $input->getOption('plans')) {
            foreach ([GameName::TenBall, GameName::EightBall, GameName::StraightPool] as $game) {
                $answer[$game->value] = array_map(static fn(float $v): float => round($v, 2), $bench->plans($game, 3, $processes));
            }
            $answer['plans'] = $bench->planCurve();
        }
        if (true === $input->getOption('quality')) {
            foreach (GameName::cases() as $game) {
                $answer['quality'][$game->value] = array_map(static fn(float $v): float => round($v, 3), $bench->quality($game));
            }
        }
        if (true === $input->getOption('curve')) {
            $answer['curve'] = $bench->curve();
        }
        Say::json($output, $answer, \JSON_PRETTY_PRINT);

        return Command::SUCCESS;
    }
}
