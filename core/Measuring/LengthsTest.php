<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Settings\Defaults;

/**
 * A hard straight shot up and down the table from the head string: the time between the first two cushions, which a phone
 * hears, tells its speed; the lengths until it stops tell what the cushions take.
 */
final readonly class LengthsTest implements Measurement
{
    private const HEIGHT = 0.2;

    /**
     * @param float $clicks  between the first cushion and the second, s
     * @param float $lengths from the head string to where it stopped, in ways from rail to rail
     */
    public function __construct(private string $name, public TableSize $size, public float $clicks, public float $lengths) {}

    public function name(): string
    {
        return $this->name;
    }

    public function about(): array
    {
        return [Parameter::Restitution, Parameter::Roll];
    }

    public function readings(): array
    {
        return [$this->clicks, $this->lengths];
    }

    public function errors(): array
    {
        return [Defaults::READING_ERROR, Defaults::READING_ERROR];
    }

    public function predicted(Guess $guess, float $speed): array
    {
        $simulator = new Simulator($guess->table);
        $g = $simulator->geometry;
        $from = new Point($g->length / 4, $g->width / 2);
        $result = $simulator->play(
            new Layout([BallId::CUE => $from]),
            new Shot(0.0, min(max($speed, 0.05), Defaults::MAX_CUE_SPEED), new Tip(0.0, self::HEIGHT)),
        );
        $way = 0.0;
        foreach ($result->paths[BallId::CUE] ?? [] as $piece) {
            $way += $piece->length();
        }
        $hits = $result->eventsOf(BallId::CUE, EventType::BallCushion);
        // One that never comes back to the second cushion: so slow that the search turns round.
        $clicks = \count($hits) > 1 ? $hits[1]->time - $hits[0]->time : 20.0;

        return [$clicks, max($way / ($g->length - 2 * $g->reach), 1e-3)];
    }

    public function speed(): array
    {
        // The first length after a cushion is done with about half the speed.
        return [min(1.6 * $this->size->length() / $this->clicks, 8.0), 3.0];
    }

    public function assertPossible(): void
    {
        if ($this->lengths < 2.0) {
            throw new InvalidInput(
                $this->name,
                \sprintf('%.1f lengths is too soft: hit so that it meets at least two cushions and rolls on', $this->lengths),
            );
        }
        // Between the clicks it covers one length; had it lost nothing more it could go no further than rolling takes it.
        $pace = $this->size->length() / $this->clicks;
        if ($pace > 8.0) {
            throw new InvalidInput(
                $this->name,
                \sprintf(
                    'a length in %.2f s is %.0f m/s after a cushion, faster than anybody hits; is the time in seconds?',
                    $this->clicks,
                    $pace,
                ),
            );
        }
        $free = 0.75 + 1.0 + $pace ** 2 / (2 * Parameter::Roll->range()[0] * Defaults::GRAVITY * $this->size->length());
        if ($this->lengths > $free) {
            throw new InvalidInput(
                $this->name,
                \sprintf(
                    'a ball that needs %.2f s for a length cannot go %.1f lengths, even if the cushions took nothing',
                    $this->clicks,
                    $this->lengths,
                ),
            );
        }
    }
}
