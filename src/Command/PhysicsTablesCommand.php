<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\App\View\LineChart;
use ZigLane\Core\Aiming\MakeTolerance;
use ZigLane\Core\Equipment\Cushion;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Measuring\CushionFit;
use ZigLane\Core\Physics\Simulator;

/**
 * The tables of docs/physics.md, worked out anew; needs no database.
 */
#[AsCommand('lane:physics', 'Prints the cushion fit and the pockets’ make tolerances as Markdown')]
final class PhysicsTablesCommand extends Command
{
    private const SPEEDS = [0.6, 1.5, 3.0, 5.0];

    protected function configure(): void
    {
        $this->addOption('pictures', null, InputOption::VALUE_REQUIRED, 'a folder to draw the charts of docs/physics.md into');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $folder = $input->getOption('pictures');
        if (\is_string($folder)) {
            file_put_contents("$folder/rebound.svg", $this->reboundChart());
            file_put_contents("$folder/corner-tolerance.svg", $this->toleranceChart());
            file_put_contents("$folder/side-tolerance.svg", $this->sideChart());
        }
        $this->cushions($output);
        $this->rebounds($output);
        $this->pockets($output);

        return Command::SUCCESS;
    }

    private function cushions(OutputInterface $output): void
    {
        $output->writeln(
            "\n### Cushion fit: the best points of the grid\n\n| e | μ | score | straight | 30° | 45° | 60° | 45° reverse | 45° running |\n|---|---|---|---|---|---|---|---|---|",
        );
        $points = CushionFit::search();
        $own = new Cushion();
        $points[] = ['restitution' => $own->restitution, 'friction' => $own->friction, 'score' => CushionFit::score($own) ?? \NAN];
        foreach ($points as $p) {
            $d = CushionFit::describe(new Cushion($p['restitution'], $p['friction']));
            $output->writeln(
                \sprintf(
                    '| %.2f | %.2f | %.2f | %.3f | %.1f° | %.1f° | %.1f° | %.1f° | %.1f° |',
                    $p['restitution'],
                    $p['friction'],
                    $p['score'],
                    $d['straight'],
                    $d[30],
                    $d[45],
                    $d[60],
                    $d['reverse'],
                    $d['running'],
                ),
            );
        }
    }

    private function rebounds(OutputInterface $output): void
    {
        $output->writeln(
            "\n### Rebound of a rolling ball, degrees from the normal once it rolls again (share of speed kept)\n\n| in | reverse 0.8 | reverse 0.4 | none | running 0.4 | running 0.8 |\n|---|---|---|---|---|---|",
        );
        foreach ([10, 20, 30, 40, 45, 50, 60, 70, 80] as $in) {
            $cells = [];
            foreach ([-0.8, -0.4, 0.0, 0.4, 0.8] as $side) {
                [$out, $kept] = CushionFit::rollAway(new Cushion(), $in, $side);
                $cells[] = \sprintf('%.1f° (%.2f)', $out, $kept);
            }
            $output->writeln("| {$in}° | " . implode(' | ', $cells) . ' |');
        }
    }

    private function pockets(OutputInterface $output): void
    {
        $head = '| mouth | distance | off square | ' . implode(
            ' | ',
            array_map(static fn(float $v): string => "$v m/s", self::SPEEDS),
        ) . " |\n|---|---|---|" . str_repeat('---|', \count(self::SPEEDS));
        foreach ([
            'Corner' => [Pocket::FootLeft, [4.0, 4.25, 4.5, 5.0], [0, 20, 40]],
            'Side' => [Pocket::SideLeft, [4.5, 5.0], [0, 20, 40, 55]],
        ] as $name => [$pocket, $mouths, $angles]) {
            $output->writeln("\n### $name pocket: make tolerance, degrees either side of the middle\n\n$head");
            foreach ($mouths as $inches) {
                $table = 'Corner' === $name ? new Table(cornerMouth: $inches * 0.0254) : new Table(sideMouth: $inches * 0.0254);
                $tolerance = new MakeTolerance(new Simulator($table));
                foreach ([0.5, 1.0] as $distance) {
                    foreach ($angles as $angle) {
                        $cells = array_map(static function (float $speed) use ($tolerance, $pocket, $distance, $angle): string {
                            $half = $tolerance->half($pocket, $distance, deg2rad($angle), $speed);

                            return null === $half ? '–' : \sprintf('%.2f', rad2deg($half));
                        }, self::SPEEDS);
                        $output->writeln("| {$inches} in | {$distance} m | {$angle}° | " . implode(' | ', $cells) . ' |');
                    }
                }
            }
        }
    }

    private function reboundChart(): string
    {
        $lines = [];
        foreach ([
            'reverse 0.8' => -0.8,
            'reverse 0.4' => -0.4,
            'no side' => 0.0,
            'running 0.4' => 0.4,
            'running 0.8' => 0.8,
        ] as $name => $side) {
            for ($in = 5.0; $in <= 85.0; $in += 2.5) {
                $lines[$name][] = [$in, CushionFit::rollAway(new Cushion(), $in, $side)[0]];
            }
        }

        return (new LineChart(
            'A rolling ball off a cushion',
            'degrees in, from the normal',
            'degrees out, rolling again',
            [0, 90, 15],
            [-20, 90, 10],
        ))->draw($lines);
    }

    private function toleranceChart(): string
    {
        $lines = [];
        foreach ([4.0, 4.5, 5.0] as $inches) {
            $tolerance = new MakeTolerance(new Simulator(new Table(cornerMouth: $inches * 0.0254)));
            foreach ([0.6, 3.0] as $speed) {
                for ($angle = -42; $angle <= 42; $angle += 3) {
                    $half = $tolerance->half(Pocket::FootLeft, 1.0, deg2rad($angle), $speed);
                    if (null !== $half) {
                        $lines["$inches in, $speed m/s"][] = [(float) $angle, rad2deg($half)];
                    }
                }
            }
        }

        return (new LineChart(
            'Corner pocket from 1 m: what drops',
            'degrees off square',
            'degrees either side',
            [-45, 45, 15],
            [0, 5, 1],
        ))->draw($lines);
    }

    private function sideChart(): string
    {
        $lines = [];
        foreach ([4.5, 5.0] as $inches) {
            $tolerance = new MakeTolerance(new Simulator(new Table(sideMouth: $inches * 0.0254)));
            foreach ([0.6, 3.0] as $speed) {
                for ($angle = 0; $angle <= 75; $angle += 3) {
                    $half = $tolerance->half(Pocket::SideLeft, 0.6, deg2rad($angle), $speed);
                    if (null !== $half) {
                        $lines["$inches in, $speed m/s"][] = [(float) $angle, rad2deg($half)];
                    }
                }
            }
        }

        return (new LineChart(
            'Side pocket from 0.6 m: what drops',
            'degrees off square',
            'degrees either side',
            [0, 75, 15],
            [0, 5, 1],
        ))->draw($lines);
    }
}
