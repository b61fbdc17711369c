<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring;

use ZigLane\Core\InvalidInput;

/**
 * One try of one test at the table.
 *
 * A reading is compared with what the model would read as logarithms, so an error is a share of the reading. Where the
 * stroke's own speed matters and nobody knows it, the fit finds it along with the table.
 */
interface Measurement
{
    /** "the first roll", for messages. */
    public function name(): string;

    /**
     * @return list<Parameter> what it tells about
     */
    public function about(): array;

    /**
     * @return list<float> what was read, all above 0
     */
    public function readings(): array;

    /**
     * @return list<float> standard deviation of each reading's logarithm, given the error of one reading by tape or phone
     */
    public function errors(): array;

    /**
     * What would have been read.
     *
     * @param float $speed of the ball or the cue, m/s, as speed() says; unused by tests that do not depend on it
     *
     * @return list<float>
     */
    public function predicted(Guess $guess, float $speed): array;

    /**
     * The speed to begin the search with, and how well it is known beforehand (standard deviation of its logarithm).
     *
     * @return array{float, float}|null m/s and a number; null when no speed is unknown
     */
    public function speed(): ?array;

    /**
     * @throws InvalidInput when no table can have given these readings, in words that help to find the mistake
     */
    public function assertPossible(): void;
}
