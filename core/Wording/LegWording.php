<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Line\AimCard;
use ZigLane\Core\Line\LegFault;
use ZigLane\Core\Line\LegFaultKind;
use ZigLane\Core\Line\LegNote;
use ZigLane\Core\Line\LegNoteKind;
use ZigLane\Core\Line\LegPosition;

/**
 * What there is to say of a leg.
 */
final class LegWording
{
    /** The middle of the window is recommended when it is this far (share of the speed) from the stroke. */
    private const WORTH_SAYING = 0.03;

    /** Ball widths: nearer than the first is the middle, between the others the edge. */
    private const MIDDLE = 0.02;
    private const EDGE = [0.48, 0.52];

    /** A cut of less is none, degrees. */
    private const STRAIGHT = 0.5;

    private function __construct() {}

    /** Why a leg does not hold, in a sentence. */
    public static function fault(LegFault $fault): string
    {
        return match ($fault->kind) {
            LegFaultKind::NotReached => "Not reached: leg $fault->number does not hold.",
            LegFaultKind::RackOver => 'The rack is over before this leg.',
            LegFaultKind::BallDown => "The $fault->number is already down.",
            LegFaultKind::Refused => $fault->message,
            LegFaultKind::Foul => null === $fault->foul ? 'Foul.' : FoulWording::sentence($fault->foul),
            LegFaultKind::LostRack => "The $fault->number drops too early: the rack is lost.",
            LegFaultKind::OtherPocket => \sprintf('The %d drops in the %s pocket instead.', $fault->number, $fault->pocket?->spoken()),
            LegFaultKind::StaysUp => "The $fault->number does not drop.",
            LegFaultKind::NothingDrops => 'No ball drops.',
        };
    }

    /** What happens that nobody asked for, in a sentence. */
    public static function note(LegNote $note): string
    {
        return match ($note->kind) {
            LegNoteKind::HardlyReachable => \sprintf(
                'Hardly reachable: even a cue raised %.0f° does not clear what is behind the cue ball. Try a higher tip.',
                $note->degrees,
            ),
            LegNoteKind::RaisedCue => \sprintf('The cue must be raised to %.0f° to clear what is behind the cue ball.', $note->degrees),
            LegNoteKind::MeetsAgain => "The cue ball meets the $note->ball a second time.",
            LegNoteKind::RunsInto => \sprintf('The %s runs into the %d.', BallId::spoken((int) $note->ball), $note->other),
            LegNoteKind::DropsToo => \sprintf('The %d drops too, in the %s pocket.', $note->ball, $note->pocket?->spoken()),
        };
    }

    /** How the cue ball comes to the zone of the next ball, in a sentence or two. */
    public static function position(LegPosition $position): string
    {
        $arrival = $position->arrival;
        $say = '' === $arrival->how
            ? "The cue ball never comes into the zone of the $position->ball"
            : \sprintf(
                'The cue ball comes %s, %.0f cm of its way inside the zone of the %d%s',
                $arrival->how,
                100 * $arrival->stretch,
                $position->ball,
                $arrival->stops ? '' : ', and runs out of it',
            );
        if (null !== $position->window) {
            $say .= \sprintf(
                '; %s leaves the %d at %.0f %% or better',
                RouteWording::window($position->window),
                $position->ball,
                100 * $position->zone->chance,
            );
            $off = $position->window->recommended - 1.0;
            $say .= abs($off) < self::WORTH_SAYING ? '' : \sprintf(
                '. Play it %.0f %% %s: that is the middle of the window, away from its worse edge',
                100 * abs($off),
                $off > 0 ? 'harder' : 'softer',
            );
        }

        return "$say.";
    }

    /**
     * A cut: "12° to the right".
     *
     * @param float $cut rad, positive to the right
     */
    public static function cut(float $cut): string
    {
        $degrees = abs(rad2deg($cut));

        return $degrees < self::STRAIGHT ? 'straight' : \sprintf('%.0f° to the %s', $degrees, $cut > 0.0 ? 'right' : 'left');
    }

    /** "aim ½ ball width to the left of the ball's middle". */
    public static function aim(AimCard $card): string
    {
        $far = abs($card->widths);
        if ($far < self::MIDDLE) {
            return 'aim at the middle of the ball';
        }
        $where = match (true) {
            $far < self::EDGE[0] => 'inside its edge',
            $far < self::EDGE[1] => 'at its edge',
            default => 'outside its edge',
        };

        return \sprintf('aim %.2f ball widths to the %s of the ball’s middle, %s', $far, $card->widths > 0 ? 'right' : 'left', $where);
    }
}
