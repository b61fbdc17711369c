<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use ZigLane\Core\Logbook\Session;
use ZigLane\Core\Logbook\SessionKind;

/**
 * A time at the table that attempts belong to.
 */
#[ORM\Entity]
#[ORM\Table(name: 'play_session')]
#[ORM\UniqueConstraint(name: 'session_key', columns: ['entry_key'])]
#[ORM\Index(name: 'session_list', columns: ['deleted_at', 'began_at'])]
class SessionRecord
{
    #[ORM\Id]
    #[ORM\GeneratedValue]
    #[ORM\Column(type: Types::INTEGER)]
    private int $id; // @phpstan-ignore property.onlyRead (Doctrine writes it)

    #[ORM\Column(type: Types::STRING, length: 64, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
    private string $entryKey;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE)]
    private \DateTimeImmutable $beganAt;

    #[ORM\Column(type: Types::STRING, length: 10)]
    private string $kind;

    #[ORM\Column(type: Types::STRING, length: Session::NAME)]
    private string $player;

    #[ORM\Column(type: Types::STRING, length: Session::NAME)]
    private string $place;

    #[ORM\Column(type: Types::STRING, length: Session::NAME)]
    private string $opponent;

    #[ORM\Column(type: Types::TEXT)]
    private string $notes;

    /** Shot by a simulated player. */
    #[ORM\Column(type: Types::BOOLEAN)]
    private bool $madeUp;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE, nullable: true)]
    private ?\DateTimeImmutable $deletedAt = null;

    public function __construct(Session $session)
    {
        $this->entryKey = $session->key;
        $this->beganAt = $session->at;
        $this->madeUp = $session->madeUp;
        $this->change($session);
    }

    public function id(): int
    {
        return $this->id;
    }

    /** What can be changed later: all but its key, its beginning and whether it is made up. */
    public function change(Session $session): void
    {
        $this->kind = $session->kind->value;
        $this->player = $session->player;
        $this->place = $session->place;
        $this->opponent = $session->opponent;
        $this->notes = $session->notes;
    }

    public function session(): Session
    {
        return new Session(
            $this->entryKey,
            $this->beganAt,
            SessionKind::tryFrom($this->kind) ?? SessionKind::Practice,
            $this->player,
            $this->place,
            $this->opponent,
            $this->notes,
            $this->madeUp,
        );
    }

    public function deletedAt(): ?\DateTimeImmutable
    {
        return $this->deletedAt;
    }

    public function delete(\DateTimeImmutable $now): void
    {
        $this->deletedAt = $now;
    }

    public function restore(): void
    {
        $this->deletedAt = null;
    }
}
