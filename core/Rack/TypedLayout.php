<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\BallSpec;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Layout;

/**
 * A layout typed in one line, as players say it: "cue 2,2  the 3 at 4½ 1  7 frozen to the foot rail at 2  8 on the foot spot  9 off".
 * Along comes before across, in diamonds; what is frozen to a rail has its place along that rail alone. A ball is frozen to another one
 * on a side of it: "5 frozen to the 3, foot side".
 */
final class TypedLayout
{
    /** Longer lines are not read. */
    private const LONGEST = 1000;

    /** Words that say nothing by themselves. */
    private const IDLE = ['at', 'the', 'ball', 'rail', 'to', 'on', 'and', 'is', 'side', 'of', 'diamonds', 'diamond', 'its'];

    /** Gap that is left between frozen balls for the arithmetic, m. */
    private const TOUCH = 1e-9;

    /** @var list<string> */
    private array $words;
    private int $next = 0;

    /** @var array<int, Point> by ball */
    private array $balls;

    private function __construct(private readonly Rack $rack, string $text, bool $only)
    {
        if (mb_strlen($text) > self::LONGEST) {
            throw new InvalidInput('', \sprintf('The line has %d characters (limit %d).', mb_strlen($text), self::LONGEST));
        }
        preg_match_all('~\p{L}+|\d+/\d+|\d*\.?\d+|[^\s,;:.]~u', Placement::spelledOut(mb_strtolower($text)), $found);
        $this->words = array_values(array_filter($found[0], static fn(string $word): bool => !\in_array($word, self::IDLE, true)));
        $this->balls = $only ? [BallId::CUE => $rack->layout->ball(BallId::CUE)] : $rack->layout->balls;
    }

    /**
     * The rack with its balls where the line says.
     *
     * @param bool $only balls that are not named are taken off the table; else they stay where they are
     *
     * @throws InvalidInput that says at which word the line is not understood, or which ball cannot lie there
     */
    public static function read(Rack $rack, string $text, bool $only = false): Rack
    {
        $typed = new self($rack, $text, $only);
        if ([] === $typed->words) {
            throw new InvalidInput('', 'Nothing is typed: try "cue 2,2  3 at 4.5,1  7 frozen foot rail 2".');
        }
        while ($typed->next < \count($typed->words)) {
            $typed->entry();
        }
        try {
            return $rack->withLayout(new Layout($typed->balls));
        } catch (InvalidInput $e) {
            $ball = BallId::fromName(substr($e->path, \strlen('balls.')));

            throw new InvalidInput('', null === $ball
                ? $e->getMessage()
                : \sprintf('The %s cannot lie there: %s.', BallId::spoken($ball), rtrim($e->problem, '.')));
        }
    }

    private function entry(): void
    {
        $ball = $this->ball();
        if ($this->isNext('off', 'down', 'gone')) {
            if (BallId::CUE === $ball) {
                throw new InvalidInput('', 'The cue ball stays on the table.');
            }
            unset($this->balls[$ball]);

            return;
        }
        $this->balls[$ball] = $this->isNext('frozen') ? $this->frozen($ball) : $this->place($ball);
    }

    private function ball(): int
    {
        $word = $this->words[$this->next++];
        $ball = \in_array($word, ['cue', 'white'], true) ? BallId::CUE : BallId::fromName($word);
        if (null === $ball || (BallId::CUE !== $ball && !\in_array($ball, $this->rack->rules()->rack(), true))) {
            throw $this->wanted(\sprintf('a ball of %s is wanted ("cue" or its number)', $this->rack->game->value), $this->next - 1);
        }

        return $ball;
    }

    /** A place by diamonds, or a spot. */
    private function place(int $ball): Point
    {
        $simulator = $this->rack->simulator();
        $spot = match (true) {
            $this->isNext('foot') => Racking::footSpot($simulator),
            $this->isNext('head') => new Point($simulator->geometry->length / 4, $simulator->geometry->width / 2),
            $this->isNext('centre', 'center') => new Point($simulator->geometry->length / 2, $simulator->geometry->width / 2),
            default => null,
        };
        if (null !== $spot) {
            return $this->isNext('spot') ? $spot : throw $this->wanted('"spot" is wanted');
        }
        $along = $this->number("diamonds along and across are wanted for the {$this->spoken($ball)}");

        return $this->inDiamonds($ball, $along, $this->number("diamonds across are wanted for the {$this->spoken($ball)}"));
    }

    /** Frozen to a rail at a place along it, or to a ball on a side of it. */
    private function frozen(int $ball): Point
    {
        $rail = Rail::tryFrom($this->words[$this->next] ?? '');
        if (null !== $rail) {
            ++$this->next;
            $at = $this->number("the place along the $rail->value rail is wanted for the {$this->spoken($ball)}");
            $short = Rail::Head === $rail || Rail::Foot === $rail;

            return (new Placement($this->rack->table))->frozen($this->inDiamonds($ball, $short ? 4.0 : $at, $short ? $at : 2.0), $rail);
        }
        $other = BallId::fromName($this->words[$this->next] ?? '');
        if (null === $other || !isset($this->balls[$other]) || $other === $ball) {
            throw $this->wanted('a rail (head, foot, left, right) or a ball that is on the table is wanted');
        }
        ++$this->next;
        [$x, $y] = [0.0, 0.0];
        while (null !== ($side = Rail::tryFrom($this->words[$this->next] ?? ''))) {
            ++$this->next;
            $x += match ($side) {
                Rail::Head => -1.0,
                Rail::Foot => 1.0,
                default => 0.0,
            };
            $y += match ($side) {
                Rail::Left => -1.0,
                Rail::Right => 1.0,
                default => 0.0,
            };
        }
        if (0.0 === $x && 0.0 === $y) {
            throw $this->wanted("a side of the $other is wanted (head, foot, left, right)");
        }

        return $this->balls[$other]->toward(atan2($y, $x), 2 * (new BallSpec())->radius + self::TOUCH);
    }

    private function inDiamonds(int $ball, float $x, float $y): Point
    {
        try {
            return (new Placement($this->rack->table))->inDiamonds($x, $y);
        } catch (InvalidInput $e) {
            throw new InvalidInput('', \sprintf('The %s cannot lie there: %s.', $this->spoken($ball), $e->problem));
        }
    }

    /** "4", "4.5", "4½", "4 1/2", ".5". */
    private function number(string $wanted): float
    {
        $value = self::value($this->words[$this->next] ?? '');
        if (null === $value) {
            throw $this->wanted($wanted);
        }
        ++$this->next;
        $more = $this->words[$this->next] ?? '';
        if (str_contains($more, '/')) {
            $value += self::value($more) ?? throw $this->wanted("\"$more\" is no number");
            ++$this->next;
        }

        return $value;
    }

    /** Null for what is no number. */
    private static function value(string $word): ?float
    {
        if (1 === preg_match('~^(\d{1,3})/([1-9]\d{0,2})$~', $word, $found)) {
            return (int) $found[1] / (int) $found[2];
        }

        return is_numeric($word) ? (float) $word : null;
    }

    private function isNext(string ...$words): bool
    {
        $is = \in_array($this->words[$this->next] ?? '', $words, true);
        $this->next += $is ? 1 : 0;

        return $is;
    }

    private function spoken(int $ball): string
    {
        return BallId::spoken($ball);
    }

    private function wanted(string $what, ?int $at = null): InvalidInput
    {
        $at ??= $this->next;
        $word = $this->words[$at] ?? null;
        $before = implode(' ', \array_slice($this->words, max(0, $at - 2), min(2, $at)));

        return new InvalidInput('', \sprintf(
            '%s%s, %s.',
            null === $word ? 'At the end of the line' : \sprintf('At "%s"', mb_strimwidth($word, 0, 20, '…')),
            '' === $before ? '' : " after \"$before\"",
            $what,
        ));
    }
}
