<?php

declare(strict_types=1);

namespace ZigLane\App\Logbook;

use Symfony\Component\HttpFoundation\InputBag;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Logbook\Spin;
use ZigLane\Core\Shots\ShotKind;

/**
 * Which attempts are looked at. What is asked for and not understood is left out.
 */
final readonly class LogbookFilter
{
    /**
     * @param int|null     $session its number
     * @param string|null  $outcome made, missed, in, out (made, but out of position) or scratched
     * @param bool         $deleted those that were deleted instead
     */
    public function __construct(
        public ?int $session = null,
        public string $player = '',
        public ?string $outcome = null,
        public ?int $ball = null,
        public ?Pocket $pocket = null,
        public ?ShotKind $kind = null,
        public ?Spin $spin = null,
        public string $from = '',
        public string $to = '',
        public bool $deleted = false,
    ) {}

    /** The attempt's session is not deleted; the same, and it is a certain player's. */
    private const PRESENT = 'a.session_id NOT IN (SELECT id FROM play_session WHERE deleted_at IS NOT NULL)';
    public const PLAYER = 'a.session_id IN (SELECT id FROM play_session WHERE deleted_at IS NULL AND player = ?)';

    public const OUTCOMES = [
        'made' => 'a.made = 1',
        'missed' => 'a.made = 0',
        'in' => 'a.made = 1 AND a.in_position = 1',
        'out' => 'a.made = 1 AND a.in_position = 0',
        'scratched' => 'a.scratched = 1',
    ];

    /** @param InputBag<string> $query */
    public static function of(InputBag $query): self
    {
        $given = array_filter($query->all(), is_string(...));
        $text = static fn(string $key): string => str_replace("\0", '', mb_scrub(mb_strimwidth($given[$key] ?? '', 0, 80)));
        $day = static function (string $key) use ($text): string {
            $day = \DateTimeImmutable::createFromFormat('!Y-m-d', $text($key));

            return false !== $day && $day->format('Y-m-d') === $text($key) ? $text($key) : '';
        };
        $ball = BallId::fromName($text('ball'));

        return new self(
            self::number($query, 'session'),
            trim($text('player')),
            isset(self::OUTCOMES[$text('outcome')]) ? $text('outcome') : null,
            BallId::CUE === $ball ? null : $ball,
            Pocket::tryFrom($text('pocket')),
            ShotKind::tryFrom($text('kind')),
            Spin::tryFrom($text('spin')),
            $day('from'),
            $day('to'),
            '1' === $text('deleted'),
        );
    }

    /**
     * A number of the database's in an address; null where there is none.
     *
     * @param InputBag<string> $query
     */
    public static function number(InputBag $query, string $key): ?int
    {
        $text = $query->all()[$key] ?? null;

        return \is_string($text) && 1 === preg_match('/^[1-9][0-9]{0,8}$/D', $text) ? (int) $text : null;
    }

    /**
     * Conditions on an attempt a, and what stands for their question marks.
     *
     * @return array{string, list<scalar>}
     */
    public function where(): array
    {
        // Sessions are few: they are looked up once, not for each of their attempts.
        $where = ['a.deleted_at IS ' . ($this->deleted ? 'NOT ' : '') . 'NULL', self::PRESENT];
        $values = [];
        $is = static function (string $condition, string|int|null $value) use (&$where, &$values): void {
            if (null !== $value && '' !== $value) {
                $where[] = $condition;
                $values[] = $value;
            }
        };
        $is('a.session_id = ?', $this->session);
        $is(self::PLAYER, $this->player);
        $is('a.ball = ?', $this->ball);
        $is('a.pocket = ?', $this->pocket?->value);
        $is('a.kind = ?', $this->kind?->value);
        $is('a.spin = ?', $this->spin?->value);
        $is('a.played_at >= ?', $this->from);
        $is('a.played_at < ? + INTERVAL 1 DAY', $this->to);
        if (null !== $this->outcome) {
            $where[] = self::OUTCOMES[$this->outcome];
        }

        return [implode(' AND ', $where), $values];
    }

    /**
     * As an address has it: what is asked for alone.
     *
     * @return array<string, string|int>
     */
    public function query(): array
    {
        return array_filter([
            'session' => $this->session,
            'player' => $this->player,
            'outcome' => $this->outcome,
            'ball' => $this->ball,
            'pocket' => $this->pocket?->value,
            'kind' => $this->kind?->value,
            'spin' => $this->spin?->value,
            'from' => $this->from,
            'to' => $this->to,
            'deleted' => $this->deleted ? 1 : null,
        ], static fn(string|int|null $v): bool => null !== $v && '' !== $v);
    }
}
