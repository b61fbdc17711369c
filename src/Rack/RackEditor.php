<?php

declare(strict_types=1);

namespace ZigLane\App\Rack;

use Symfony\Component\HttpFoundation\InputBag;
use ZigLane\App\Profile\ProfileKind;
use ZigLane\App\Profile\ProfileStore;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\CueSpec;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Line\FirstTry;
use ZigLane\Core\Line\LegState;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Line\RackAfter;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Files\EquipmentFields;
use ZigLane\Core\Rack\Files\Fields;
use ZigLane\Core\Rack\Files\ShotSpecFile;
use ZigLane\Core\Rack\Placement;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\TypedLayout;
use ZigLane\Core\Shots\Intent;
use ZigLane\Core\Shots\IntentGuess;
use ZigLane\Core\Shots\RaisedStrokes;
use ZigLane\Core\Shots\ShotKind;

/**
 * Turns what a form says into a changed rack.
 */
final class RackEditor
{
    /** Nothing on a page is measured in numbers beyond this. */
    private const LARGEST = 1e6;

    public function __construct(private readonly ProfileStore $profiles) {}

    /**
     * @param InputBag<string> $form   "op" says what to do
     * @param int              $chosen the stop or leg that was chosen
     *
     * @return array{Rack, string, int} the changed rack, what was done, the stop or leg to show now
     *
     * @throws InvalidInput
     */
    public function edit(Rack $rack, InputBag $form, int $chosen): array
    {
        $op = $form->getString('op');

        return match ($op) {
            'place', 'type', 'nudge', 'freeze' => $this->move($op, $rack, $form, $chosen),
            'lay-out' => [TypedLayout::read($rack, $form->getString('line'), $form->getBoolean('only')), 'lay out the balls', 0],
            'remove' => $this->remove($rack, $form),
            'table' => $this->table($rack, $form),
            'equip' => $this->equip($rack, $form),
            'hand', 'against', 'push-out', 'jumps', 'called', 'fouls' => TurnEditor::edit($op, $rack, $form, $chosen),
            'rename' => $this->rename($rack, $form, $chosen),
            'add-leg' => $this->addLeg($rack),
            'leg' => $this->setLeg($rack, $form),
            'remove-leg' => $this->removeLeg($rack, $form),
            default => throw new InvalidInput('op', \sprintf('"%s" is not something that can be done', mb_strimwidth($op, 0, 30, '…'))),
        };
    }

    /**
     * @param InputBag<string> $form
     *
     * @return array{Rack, string, int}
     */
    private function move(string $op, Rack $rack, InputBag $form, int $chosen): array
    {
        $ball = self::ball($form);
        $placement = new Placement($rack->table);
        $here = $rack->layout->balls[$ball] ?? new Point($rack->table->length() / 2, $rack->table->width() / 2);
        try {
            $to = match ($op) {
                'type' => $placement->typed($form->getString('at')),
                'freeze' => $placement->frozen(
                    $here,
                    Rail::tryFrom($form->getString('rail')) ?? throw new InvalidInput('', 'There is no such rail.'),
                ),
                'nudge' => $placement->nudged($here, self::number($form, 'dx'), self::number($form, 'dy')),
                default => $placement->snapped(
                    $rack->layout,
                    $ball,
                    $placement->inDiamonds(self::number($form, 'x'), self::number($form, 'y')),
                ),
            };
            $changed = $placement->place($rack, $ball, $to);
        } catch (InvalidInput $e) {
            throw new InvalidInput('', \sprintf('The %s cannot lie there: %s.', BallId::spoken($ball), rtrim($e->problem, '.')));
        }

        return [$changed, 'move the ' . BallId::spoken($ball), $chosen];
    }

    /**
     * @param InputBag<string> $form
     *
     * @return array{Rack, string, int}
     */
    private function remove(Rack $rack, InputBag $form): array
    {
        $ball = self::ball($form);
        if (BallId::CUE === $ball) {
            throw new InvalidInput('', 'The cue ball stays on the table.');
        }

        return [$rack->withLayout($rack->layout->without($ball)), "take the $ball off", 0];
    }

    /**
     * @param InputBag<string> $form
     *
     * @return array{Rack, string, int}
     */
    private function table(Rack $rack, InputBag $form): array
    {
        $size = TableSize::tryFrom($form->getString('size')) ?? throw new InvalidInput('size', 'is not 7ft, 8ft or 9ft');
        $mouths = new Fields(
            (object) [
                'cornerMouthMm' => self::number($form, 'corner') * 25.4,
                'sideMouthMm' => self::number($form, 'side') * 25.4,
                'size' => $size->value,
            ],
            'table',
        );
        try {
            [$table] = EquipmentFields::table($mouths);
            $changed = $rack->onTable(new Table($size, $table->cornerMouth, $table->sideMouth, $rack->table->cloth, $rack->table->cushion));
        } catch (InvalidInput $e) {
            throw new InvalidInput('', 'The table cannot be changed so: ' . $e->getMessage() . '.');
        }

        return [$changed, 'change the table', 0];
    }

    /**
     * Plays the rack with a profile's numbers; id 0 is the house.
     *
     * @param InputBag<string> $form
     *
     * @return array{Rack, string, int}
     */
    private function equip(Rack $rack, InputBag $form): array
    {
        $kind = ProfileKind::tryFrom($form->getString('kind')) ?? throw new InvalidInput('kind', 'is neither table, cue nor player');
        $id = (int) $form->getString('profile');
        $profile = 0 === $id ? null : $this->profiles->find($id);
        if (0 !== $id && (null === $profile || $profile->kind() !== $kind->value)) {
            throw new InvalidInput('', "There is no such {$kind->value} profile.");
        }
        $name = $profile?->name() ?? (ProfileKind::Player === $kind ? 'level ' . $form->getString('profile') : 'house ' . $kind->value);
        try {
            $changed = match ($kind) {
                ProfileKind::Table => $rack->onTable(null === $profile ? new Table() : $this->profiles->table($profile)),
                ProfileKind::Cue => $rack->withCue(null === $profile ? new CueSpec() : $this->profiles->cue($profile)),
                ProfileKind::Player => $rack->withPlayer(null === $profile
                    ? Player::of(Level::tryFrom($form->getString('profile')) ?? Level::League)
                    : $this->profiles->player($profile)),
            };
        } catch (InvalidInput $e) {
            throw new InvalidInput('', \sprintf('The rack does not fit on %s: %s.', $name, $e->getMessage()));
        }

        return [$changed, "use the $name", 0];
    }

    /**
     * @param InputBag<string> $form
     *
     * @return array{Rack, string, int}
     */
    private function rename(Rack $rack, InputBag $form, int $chosen): array
    {
        return [$rack->named(self::name($form->getString('name'))), 'rename', $chosen];
    }

    /** @throws InvalidInput for an empty or too long name */
    public static function name(string $name): string
    {
        $name = trim(preg_replace('/[\x00-\x1f\x7f]+/u', ' ', $name) ?? '');
        if ('' === $name) {
            throw new InvalidInput('name', 'A rack needs a name.');
        }
        if (mb_strlen($name) > Rack::LONGEST_NAME) {
            throw new InvalidInput('name', \sprintf('has %d characters (limit %d)', mb_strlen($name), Rack::LONGEST_NAME));
        }

        return $name;
    }

    /**
     * @return array{Rack, string, int}
     */
    private function addLeg(Rack $rack): array
    {
        if (\count($rack->legs) >= Rack::MOST_LEGS) {
            throw new InvalidInput('', \sprintf('A line has at most %d legs.', Rack::MOST_LEGS));
        }
        $simulator = $rack->simulator();
        $outcomes = (new LinePlayer($simulator))->play($rack);
        foreach ($outcomes as $leg) {
            if (LegState::Breaks === $leg->state) {
                throw new InvalidInput('', "Leg {$leg->number} breaks the line; mend it first.");
            }
        }
        $at = RackAfter::legs($rack, $outcomes);
        $game = $at->rules();
        $first = $game->isOver($at->layout) ? null : FirstTry::for($simulator, $at->layout, $game);
        if (null === $first) {
            throw new InvalidInput('', 'The rack is run out: there is nothing left to shoot.');
        }

        return [$rack->withLegs([...$rack->legs, $first]), "add the leg for the {$first->ball}", \count($rack->legs) + 1];
    }

    /**
     * @param InputBag<string> $form
     *
     * @return array{Rack, string, int}
     */
    public function setLeg(Rack $rack, InputBag $form): array
    {
        $index = $this->legIndex($rack, $form);
        $legs = $rack->legs;
        $old = $legs[$index];
        $shot = [
            'speed' => (object) ['lengths' => self::number($form, 'lengths')],
            'tip' => (object) ['side' => self::number($form, 'side'), 'height' => self::number($form, 'height')],
            'elevationDeg' => self::number($form, 'elevation'),
        ];
        // A speed that was given in m/s stays as it was while only other things are changed.
        if ($form->getString('mps') !== '' && $form->getString('lengthsWere') === $form->getString('lengths')) {
            $shot['speed'] = (object) ['mps' => self::number($form, 'mps')];
        }
        if ('' !== $form->getString('ball')) {
            $shot = array_replace($shot, [
                'ball' => $form->getString('ball'),
                'pocket' => $form->getString('pocket'),
                'pocketOffset' => self::number($form, 'offset'),
            ], $this->way($rack, $form, $index));
        } else {
            $what = null === $old->aimDeg ? new Intent() : $old->intent;
            $shot += ['aimDeg' => self::number($form, 'aim')] + ShotSpecFile::writeIntent($what);
        }
        foreach ($old->unknown as $key => $value) {
            $shot[$key] ??= $value;
        }
        try {
            $legs[$index] = ShotSpecFile::read((object) $shot, 'leg ' . ($index + 1));
            // Too many lengths for this table shows only here.
            $legs[$index]->speed->on(new TableLengths($rack->simulator()));
        } catch (InvalidInput $e) {
            throw new InvalidInput('', $e->getMessage() . '.');
        }

        return [$rack->withLegs(array_values($legs)), 'change leg ' . ($index + 1), $index + 1];
    }

    /**
     * How the ball is to get into its pocket, as a file has it. What a newly chosen kind of shot goes by is guessed.
     *
     * @param InputBag<string> $form
     *
     * @return array<string, mixed>
     */
    private function way(Rack $rack, InputBag $form, int $index): array
    {
        $kind = ShotKind::tryFrom($form->getString('kind', ShotKind::Pot->value)) ?? throw new InvalidInput('kind', 'is no kind of shot');
        $chosen = array_diff(array_map($form->getString(...), ['rail1', 'rail2', 'rail3']), ['']);
        $rails = \array_slice(array_values($chosen), 0, $kind->mostRails());
        $first = $kind->needsOther() ? $form->getString('first') : '';
        $then = ShotKind::Combination === $kind ? $form->getString('then') : '';
        $was = $rack->legs[$index]->intent->kind;
        if (
            ($kind->mostRails() > 0 && [] === $rails)
            || ($kind->needsOther() && (\in_array($first, ['', $form->getString('ball')], true) || ($was->needsOther() && $kind !== $was)))
        ) {
            return $this->guessed($rack, $form, $index, $kind);
        }

        return ['kind' => $kind->value]
            + ([] === $rails ? [] : ['rails' => $rails])
            + ('' === $first ? [] : [$kind->otherKey() => $first])
            + (\in_array($then, ['', $first, $form->getString('ball')], true) ? [] : ['then' => $then])
            // The cue comes down again when nothing is jumped over any more.
            + ($was->leavesCloth() && !$kind->leavesCloth() ? ['elevationDeg' => 0.0] : []);
    }

    /**
     * @param InputBag<string> $form
     *
     * @return array<string, mixed>
     */
    private function guessed(Rack $rack, InputBag $form, int $index, ShotKind $kind): array
    {
        $ball = BallId::fromName($form->getString('ball'));
        $pocket = Pocket::tryFrom($form->getString('pocket'));
        $outcomes = (new LinePlayer($rack->simulator()))->play($rack);
        $before = $outcomes[$index]->before ?? null;
        if (null === $ball || null === $pocket || null === $before || !$before->has($ball) || !$before->has(BallId::CUE)) {
            throw new InvalidInput('', 'This kind of shot can be chosen where the line gets so far.');
        }
        $targets = RackAfter::legs($rack, \array_slice($outcomes, 0, $index))->rules()->legalTargets($before);
        $guess = new IntentGuess($rack->simulator(), $before, new Pot($ball, $pocket));
        $intent = $guess->of($kind, $targets) ?? $guess->of($kind, $before->objectBalls())
            ?? throw new InvalidInput('', \sprintf('A %s needs another ball on the table.', $kind->value));

        $stroke = $kind->leavesCloth()
            ? (new RaisedStrokes($rack->simulator()))->gentlest($before, new Pot($ball, $pocket), $intent, few: true)?->shot
            : null;

        return ShotSpecFile::writeIntent($intent) + (null === $stroke ? [] : [
            'speed' => (object) ['mps' => round($stroke->speed, 4)],
            'tip' => (object) ['side' => $stroke->tip->side, 'height' => $stroke->tip->height],
            'elevationDeg' => round(rad2deg($stroke->elevation), 2),
        ]);
    }

    /**
     * @param InputBag<string> $form
     *
     * @return array{Rack, string, int}
     */
    private function removeLeg(Rack $rack, InputBag $form): array
    {
        $index = $this->legIndex($rack, $form);
        $legs = $rack->legs;
        unset($legs[$index]);

        return [$rack->withLegs(array_values($legs)), 'remove leg ' . ($index + 1), min($index, \count($legs))];
    }

    /**
     * @param InputBag<string> $form
     */
    private function legIndex(Rack $rack, InputBag $form): int
    {
        $number = $form->getInt('number');
        if ($number < 1 || $number > \count($rack->legs)) {
            throw new InvalidInput('number', \sprintf('there is no leg %d', $number));
        }

        return $number - 1;
    }

    /**
     * @param InputBag<string> $form
     */
    private static function ball(InputBag $form): int
    {
        return BallId::fromName($form->getString('ball')) ?? throw new InvalidInput('ball', 'there is no such ball');
    }

    /**
     * @param InputBag<string> $form
     */
    private static function number(InputBag $form, string $key): float
    {
        $text = trim($form->getString($key));
        if (!is_numeric($text) || !is_finite((float) $text)) {
            throw new InvalidInput($key, \sprintf('"%s" is not a number', mb_strimwidth($text, 0, 30, '…')));
        }
        if (abs((float) $text) > self::LARGEST) {
            throw new InvalidInput($key, \sprintf('%s is too large a number', mb_strimwidth($text, 0, 30, '…')));
        }

        return (float) $text;
    }
}
