<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\App\View\LineChart;
use ZigLane\Core\InvalidInput;

/**
 * Draws what lane:season printed: how often racks ran out against how often that was predicted; needs no database.
 */
#[AsCommand('lane:reliability', 'Draws seasons as a reliability diagram (SVG)')]
final class ReliabilityCommand extends Command
{
    private const LARGEST = 1 << 20;

    protected function configure(): void
    {
        $this->addArgument('files', InputArgument::REQUIRED | InputArgument::IS_ARRAY, 'what lane:season printed, one file a season');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $lines = ['as predicted' => [[0.0, 0.0], [1.0, 1.0]]];
        try {
            foreach ($input->getArgument('files') as $file) {
                $season = JsonFile::read($file, self::LARGEST);
                if (
                    !$season instanceof \stdClass
                    || !\is_array($season->reliability ?? null)
                    || !\is_string($season->game ?? null)
                    || !\is_string($season->level ?? null)
                ) {
                    throw new InvalidInput('', "$file: is no season");
                }
                $points = [];
                foreach ($season->reliability as $bin) {
                    if (
                        $bin instanceof \stdClass
                        && is_numeric($bin->predicted ?? null)
                        && is_numeric($bin->rate ?? null)
                        && \is_array($bin->interval ?? null)
                        && is_numeric($bin->interval[0] ?? null)
                        && is_numeric($bin->interval[1] ?? null)
                    ) {
                        // Each point with its 95 % interval as an upright stroke.
                        $at = (float) $bin->predicted;
                        array_push(
                            $points,
                            [$at, (float) $bin->rate],
                            [$at, (float) $bin->interval[0]],
                            [$at, (float) $bin->interval[1]],
                            [$at, (float) $bin->rate],
                        );
                    }
                }
                $lines["$season->game, $season->level"] = $points;
            }
        } catch (InvalidInput $e) {
            return Say::refuse($output, $e);
        }
        $output->write(
            (new LineChart(
                'Run-outs: played against predicted, with 95 % intervals',
                'predicted before the first shot',
                'share run out',
                [0.0, 1.0, 0.2],
                [0.0, 1.0, 0.2],
            ))->draw($lines),
            false,
            OutputInterface::OUTPUT_RAW,
        );

        return Command::SUCCESS;
    }
}
