<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Routes\Route;
use ZigLane\Core\Routes\RouteSearch;
use ZigLane\Tools\Bench\RandomRoutes;
use ZigLane\Tools\Bench\Workload;

/**
 * Holds the search for routes against random search; needs no database.
 */
#[AsCommand('lane:routes', 'Times the search for routes on random legs, and holds it against random search')]
final class RoutesCommand extends Command
{
    private const FRESH = 2000;

    protected function configure(): void
    {
        $this->addOption('legs', null, InputOption::VALUE_REQUIRED, 'random legs', '60');
        $this->addOption(
            'times',
            null,
            InputOption::VALUE_REQUIRED,
            'shots of the random search, as times those of the search; 0 for none',
            '10',
        );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        try {
            $count = (int) Say::number($input, 'legs', 1, 1000);
            $times = (int) Say::number($input, 'times', 0, 1000);
        } catch (InvalidInput $e) {
            return Say::refuse($output, $e);
        }
        $random = new Generator(7);
        $fresh = ErrorSamples::random(self::FRESH, $random);
        $first = $settled = $shots = $gains = [];
        foreach ((new Workload(new Simulator(), 3))->legs($count) as $n => [$rack, $ball, $pocket]) {
            $search = new RouteSearch($rack, new Pot($ball, $pocket));
            $began = microtime(true);
            $list = [];
            foreach ($search->routes() as $k => $list) {
                if (0 === $k) {
                    $first[] = microtime(true) - $began;
                }
            }
            $settled[] = microtime(true) - $began;
            $shots[] = $search->played();
            if ($times > 0) {
                // Both winners under errors that neither has seen: what was chosen by its luck is not luckier again.
                $value = static fn(?Route $route): float => null === $route
                    ? 0.0
                    : $search->chances($route->shot, $fresh)->value;
                $own = $value($list[0] ?? null);
                $other = $value((new RandomRoutes($search, $random))->best($times * $search->played()));
                $gains[] = $other - $own;
                $output->writeln(\sprintf('%2d  search %.3f  random %.3f', $n + 1, $own, $other), OutputInterface::VERBOSITY_VERBOSE);
            }
        }
        $answer = [
            'legs' => $count,
            'firstMs' => self::median($first) * 1000,
            'settledMs' => self::median($settled) * 1000,
            'slowestMs' => max([0.0, ...$settled]) * 1000,
            'shots' => self::median($shots),
        ];
        if ([] !== $gains) {
            $answer['randomBetterByTwoPoints'] = \count(array_filter($gains, static fn(float $g): bool => $g > 0.02));
            $answer['meanGainOfRandom'] = array_sum($gains) / \count($gains);
        }
        Say::json($output, array_map(static fn(int|float $v): int|float => \is_float($v) ? round($v, 4) : $v, $answer), \JSON_PRETTY_PRINT);

        return Command::SUCCESS;
    }

    /**
     * @param list<int|float> $values
     */
    private static function median(array $values): float
    {
        sort($values);

        return (float) ($values[intdiv(\count($values), 2)] ?? 0.0);
    }
}
