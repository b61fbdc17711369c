<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\Fields;

/**
 * A session as files have it.
 */
final class SessionFields
{
    private function __construct() {}

    /**
     * @return array<string, mixed> ready for json_encode; what is empty is left out
     */
    public static function write(Session $session): array
    {
        return ['key' => $session->key, 'at' => LogbookFields::time($session->at), 'kind' => $session->kind->value] + array_filter([
            'player' => $session->player,
            'place' => $session->place,
            'opponent' => $session->opponent,
            'notes' => $session->notes,
            'madeUp' => $session->madeUp,
        ]);
    }

    /** @throws InvalidInput */
    public static function read(Fields $file): Session
    {
        return new Session(
            LogbookFields::key($file),
            LogbookFields::readTime($file, 'at'),
            $file->choice('kind', SessionKind::class, SessionKind::Practice->value),
            $file->text('player', '', Session::NAME),
            $file->text('place', '', Session::NAME),
            $file->text('opponent', '', Session::NAME),
            $file->text('notes', '', Session::NOTES),
            $file->flag('madeUp', false),
        );
    }
}
