<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;

/**
 * What drops of the pots that have been asked for on one table, each worked out once: the same ball in the same pocket is the same
 * window on every layout on which the same balls lie near its way.
 */
final class AcceptanceWindows
{
    /** @var array<string, AcceptanceWindow> */
    private array $known = [];

    /** @var array<string, array<string, list<array{float, float}>>> what other processes know of windows not asked for here yet */
    private array $told = [];

    public function __construct(private readonly Simulator $simulator) {}

    /** Of a ball that is alone on the table. */
    public function alone(Layout $layout, Pot $pot): AcceptanceWindow
    {
        return $this->kept(new AcceptanceWindow($this->simulator, $layout, $pot, alone: true));
    }

    /** Among the other balls of a layout. */
    public function among(Layout $layout, Pot $pot): AcceptanceWindow
    {
        return $this->kept(new AcceptanceWindow($this->simulator, $layout, $pot));
    }

    private function kept(AcceptanceWindow $window): AcceptanceWindow
    {
        $key = $window->key();
        if (!isset($this->known[$key])) {
            $window->learn($this->told[$key] ?? []);
            $this->known[$key] = $window;
        }

        return $this->known[$key];
    }

    /**
     * How much is known of each, to tell later what has come to it.
     *
     * @return array<string, int> speeds and spins, by window
     */
    public function extent(): array
    {
        return array_map(static fn(AcceptanceWindow $window): int => \count($window->known()), $this->known);
    }

    /**
     * What has been worked out since, for another process that goes on with the same table.
     *
     * @param array<string, int> $since extent() before it
     *
     * @phpstan-impure
     *
     * @return array<string, array<string, list<array{float, float}>>> by window, as AcceptanceWindow::known() gives it
     */
    public function learntSince(array $since): array
    {
        $learnt = [];
        foreach ($this->known as $key => $window) {
            $new = \array_slice($window->known(), $since[$key] ?? 0);
            if ([] !== $new) {
                $learnt[$key] = $new;
            }
        }

        return $learnt;
    }

    /**
     * Takes over what another process has worked out.
     *
     * @param array<string, array<string, list<array{float, float}>>> $learnt
     */
    public function learn(array $learnt): void
    {
        foreach ($learnt as $key => $known) {
            if (isset($this->known[$key])) {
                $this->known[$key]->learn($known);
            } else {
                $this->told[$key] = $known + ($this->told[$key] ?? []);
            }
        }
    }
}
