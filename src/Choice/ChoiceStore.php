<?php

declare(strict_types=1);

namespace ZigLane\App\Choice;

use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use ZigLane\App\Upkeep\Perishable;
use ZigLane\Core\Choice\ChoiceWorth;
use ZigLane\Core\Choice\Files\WorthFile;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\JsonText;

/**
 * What players were asked, and what they chose.
 */
final readonly class ChoiceStore implements Perishable
{
    /** Days that one without an answer is kept, and one with an answer; the latest that are looked at, and shown. */
    private const OPEN_DAYS = 14;
    private const KEPT_DAYS = 1000;
    private const MOST = 400;
    public const SHOWN = 30;

    private const JSON = \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_PRESERVE_ZERO_FRACTION;

    public function __construct(private Connection $database, private ClockInterface $clock) {}

    /** @return int its number in addresses */
    public function pose(Wish $wish, string $player, string $document): int
    {
        $this->database->insert('posed_choice', [
            'kind' => $wish->kind->value,
            'player' => $player,
            'wish' => json_encode($wish->write(), self::JSON),
            'document' => $document,
            'posed_at' => $this->now(),
        ]);

        return (int) $this->database->lastInsertId();
    }

    /** So many were posed: the next one is another. */
    public function posed(): int
    {
        $last = $this->database->fetchOne('SELECT MAX(id) FROM posed_choice');

        return is_numeric($last) ? (int) $last : 0;
    }

    /**
     * @return array{wish: string, player: string, document: string, answer: string|null}
     *
     * @throws NotFoundHttpException when there is none
     */
    public function find(int $id): array
    {
        $row = $this->database->fetchAssociative('SELECT wish, player, document, answer FROM posed_choice WHERE id = ?', [$id]);
        if (false === $row) {
            throw new NotFoundHttpException('There is no such rack to choose at.');
        }
        $text = static fn(string $key): string => \is_string($row[$key]) ? $row[$key] : '';

        return [
            'wish' => $text('wish'),
            'player' => $text('player'),
            'document' => $text('document'),
            'answer' => \is_string($row['answer']) ? $row['answer'] : null,
        ];
    }

    /**
     * Keeps what was chosen; what was chosen first stays.
     *
     * @param array<string, mixed> $answer
     */
    public function answer(int $id, array $answer): void
    {
        $this->database->executeStatement(
            'UPDATE posed_choice SET answer = ?, answered_at = ? WHERE id = ? AND answer IS NULL',
            [json_encode($answer, self::JSON), $this->now(), $id],
        );
    }

    /** @return list<string> who has chosen, in order of the names */
    public function players(): array
    {
        return array_values(array_filter(
            $this->database->fetchFirstColumn('SELECT DISTINCT player FROM posed_choice WHERE answer IS NOT NULL ORDER BY player'),
            static fn(mixed $name): bool => \is_string($name) && '' !== $name,
        ));
    }

    /**
     * What a player chose, in order of time. What cannot be read is left out.
     *
     * @return array{worths: array<int, ChoiceWorth>, plain: list<ChoiceWorth>, named: array<int, bool>, at: array<int, string>} by
     *     number; plain are those at racks that were taken as they came
     */
    public function of(string $player): array
    {
        $rows = $this->database->fetchAllAssociative(
            'SELECT id, document, answer, answered_at FROM posed_choice WHERE player = ? AND answer IS NOT NULL'
            . ' ORDER BY answered_at DESC, id DESC LIMIT ' . self::MOST,
            [$player],
        );
        $worths = $plain = $named = $at = [];
        foreach (array_reverse($rows) as $row) {
            $id = is_numeric($row['id']) ? (int) $row['id'] : 0;
            try {
                $answer = JsonText::decode(\is_string($row['answer']) ? $row['answer'] : '');
                if ($answer instanceof \stdClass && \is_bool($answer->right ?? null)) {
                    $named[$id] = $answer->right;
                } elseif ($answer instanceof \stdClass) {
                    $posed = Posed::read(\is_string($row['document']) ? $row['document'] : '');
                    $worths[$id] = WorthFile::read($answer->worth ?? null, $posed->rack);
                    $plain = $posed->plain ? [...$plain, $worths[$id]] : $plain;
                } else {
                    continue;
                }
            } catch (InvalidInput) {
                continue;
            }
            $at[$id] = \is_string($row['answered_at']) ? $row['answered_at'] : '';
        }

        return ['worths' => $worths, 'plain' => $plain, 'named' => $named, 'at' => $at];
    }

    public function purge(\DateTimeImmutable $now): int
    {
        return (int) $this->database->executeStatement(
            'DELETE FROM posed_choice WHERE (answer IS NULL AND posed_at < ?) OR answered_at < ?',
            array_map(
                static fn(int $days): string => $now->modify("-$days days")->format('Y-m-d H:i:s'),
                [self::OPEN_DAYS, self::KEPT_DAYS],
            ),
        );
    }

    private function now(): string
    {
        return $this->clock->now()->format('Y-m-d H:i:s');
    }
}
