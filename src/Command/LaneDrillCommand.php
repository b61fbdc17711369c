<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\Core\Drills\Course;
use ZigLane\Core\Drills\DrillShooter;
use ZigLane\Core\Drills\Files\DrillFile;
use ZigLane\Core\Drills\Par;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\ShotSpecFile;

/**
 * Whether a drill can be done, with which strokes, and what a level may expect; needs no database.
 */
#[AsCommand('lane:drill', 'Plays a drill: whether it can be done, the strokes, and the par')]
final class LaneDrillCommand extends Command
{
    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'a zig-lane/drill document');
        $this->addOption('level', null, InputOption::VALUE_REQUIRED, 'whose par', Level::League->value);
        $this->addOption('tries', null, InputOption::VALUE_REQUIRED, 'tests that the par is the mean of', '20');
        $this->addOption('step', null, InputOption::VALUE_REQUIRED, 'easier or harder form, from 1; as it stands when not said');
        $this->addOption('pars', null, InputOption::VALUE_NONE, 'prints the document with the pars of all levels in it');
        $this->addOption('rng', null, InputOption::VALUE_REQUIRED, 'seed', '1');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('file');
        try {
            $drill = DrillFile::read(JsonText::decode(JsonFile::text($file, DrillFile::LARGEST)));
            $level = Say::one($input, 'level', Level::class);
            $tests = (int) Say::number($input, 'tries', 2, 10_000);
            $seed = (int) Say::number($input, 'rng', 0, 1_000_000_000);
            $asked = null !== $input->getOption('step');
            $step = $asked ? (int) Say::number($input, 'step', 1, \count($drill->steps)) - 1 : $drill->usualStep();
            if ($input->getOption('pars')) {
                $pars = [];
                foreach (Level::cases() as $one) {
                    $pars[$one->value] = round(Par::of($drill, $one, $tests, new Generator($seed))->score, 1);
                }
                Say::json($output, DrillFile::write($drill->withPars($pars)), \JSON_PRETTY_PRINT);

                return Command::SUCCESS;
            }
            $drill = $drill->at($step);
            $par = Par::of($drill, $level, $tests, new Generator($seed));
        } catch (InvalidInput $e) {
            return Say::refuse($output, $e);
        }
        $strokes = [];
        $shooter = new DrillShooter($drill, Player::of($level), new Generator($seed));
        foreach (Course::Stations === $drill->course ? array_keys($drill->stations) : [] as $n) {
            $stroke = $shooter->stroke($n);
            $strokes[] = null === $stroke ? null : ShotSpecFile::write($stroke);
        }
        Say::json($output, [
            'possible' => $par->score > 0.0 && !\in_array(null, $strokes, true),
            'par' => round($par->score, 2),
            'error' => round($par->error, 2),
            'spread' => round($par->spread, 2),
            'most' => $drill->most(),
            'strokes' => $strokes,
        ]);

        return Command::SUCCESS;
    }
}
