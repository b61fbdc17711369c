<?php

declare(strict_types=1);

namespace ZigLane\App\Logbook;

use Doctrine\ORM\EntityManagerInterface;
use ZigLane\App\Entity\Upload;
use ZigLane\App\Work\Work;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\AttemptCsv;
use ZigLane\Core\Logbook\AttemptFile;
use ZigLane\Core\Logbook\Session;

/**
 * Reads a file of attempts in: all of it, or with a fault in it nothing.
 */
final readonly class ImportAttempts implements Work
{
    /** Attempts in one file. */
    public const MOST = 20_000;

    /** Bytes of one file: nginx's and PHP's own limits are as high. */
    public const LARGEST = 8_000_000;

    public function __construct(private EntityManagerInterface $entities, private Entries $entries) {}

    public static function kind(): string
    {
        return 'import';
    }

    /**
     * @param list<mixed> $question number of the upload
     *
     * @return \Generator<int, array{file: string, read: int, new: int}>
     */
    public function answers(array $question): \Generator
    {
        [$id] = $question;
        \assert(\is_string($id));
        $upload = $this->entities->find(Upload::class, $id) ?? throw new InvalidInput('', 'That file is no longer here. Choose it again');
        $text = $upload->text();
        // An empty file is neither.
        $read = '' === trim($text) || str_starts_with(ltrim($text), '{') ? AttemptFile::read($text) : AttemptCsv::read($text);
        // What names no session goes into one of this file; what has no key gets one, the same whenever this upload is read.
        $own = null;
        $entries = [];
        foreach ($read as $line => $attempt) {
            if (\count($entries) === self::MOST) {
                throw new InvalidInput("line $line", \sprintf('A file may have %d attempts', self::MOST));
            }
            $own ??= new Session(
                "upload-$id",
                $attempt->at,
                player: $attempt->rack->player->name ?? '',
                notes: "Imported from {$upload->name()}.",
            );
            $key = $attempt->key ?? substr(hash('sha256', "$id $line"), 0, 32);
            $entries[] = new Entry($key, 1, $attempt->entered($key, $attempt->session ?? $own));
        }
        if ([] === $entries) {
            throw new InvalidInput('', 'There is no attempt in that file');
        }
        yield ['file' => $upload->name(), 'read' => \count($entries), 'new' => $this->entries->keepAndPutBack($entries)];
    }
}
