<?php

declare(strict_types=1);

namespace ZigLane\Core\Settings;

/**
 * Every number of the physical model that can be tuned, in one place. SI units unless the name says otherwise.
 *
 * "From memory" marks a common value for which no paper is cited; the others name their source. A table, cloth or cue
 * that was measured overrides these through its own value object.
 */
final class Defaults
{
    /** Standard gravity, m/s² (ISO 80000-3). */
    public const GRAVITY = 9.80665;

    /** Ball radius, m: 2¼ in across (WPA equipment specification, from memory). */
    public const BALL_RADIUS = 0.028575;

    /** Ball mass, kg (6 oz; from memory). */
    public const BALL_MASS = 0.170;

    /** Ball–ball normal restitution (from memory). */
    public const BALL_RESTITUTION = 0.95;

    /**
     * Ball–ball friction μ(u) = A + B·exp(−C·u), u the slip speed in m/s.
     * A fit to measurements in W. C. Marlow, "The Physics of Pocket Billiards", 1995.
     */
    public const BALL_FRICTION_FLOOR = 0.01;
    public const BALL_FRICTION_RISE = 0.108;
    public const BALL_FRICTION_FALL = 1.088;

    /** Sliding friction of ball on cloth (from memory). */
    public const CLOTH_SLIDE = 0.20;

    /** Rolling resistance of ball on cloth (from memory). */
    public const CLOTH_ROLL = 0.010;

    /**
     * What slate and cloth throw back of a ball that comes down: this share of the speed above the one that the cloth swallows, m/s
     * (our own choice: a ball dropped from 30 cm rises 5 cm, one dropped from 8 mm not at all).
     */
    public const SLATE_RESTITUTION = 0.5;
    public const SLATE_DEAD = 0.4;

    /** Decay of vertical-axis spin, rad/s² (from memory). */
    public const CLOTH_SPIN_DECAY = 10.0;

    /** Height of the cushion nose above the slate, in ball diameters (WPA equipment specification, from memory). */
    public const NOSE_HEIGHT = 0.635;

    /**
     * Cushion normal restitution, ball–cushion friction and ball–cloth friction during the impact.
     * Fitted to the rebound targets in docs/physics.md; the friction starts from S. Mathavan, M. R. Jackson and
     * R. M. Parkin, "A theoretical analysis of billiard ball dynamics under cushion impacts", Proc. IMechE C 224, 2010.
     */
    public const CUSHION_RESTITUTION = 0.92;
    public const CUSHION_FRICTION = 0.25;
    public const CUSHION_CLOTH_FRICTION = 0.20;

    /** The facings inside a pocket are backed by wood and shim, and deader than the cushion (from memory). */
    public const FACING_RESTITUTION = 0.80;
    public const FACING_FRICTION = 0.14;

    /** Pocket mouths between nose tips, m: 4½ in corner, 5 in side. */
    public const CORNER_MOUTH = 0.1143;
    public const SIDE_MOUTH = 0.127;

    /** Angle through the rubber between cushion line and facing, degrees (WPA equipment specification, from memory). */
    public const CORNER_FACING_DEG = 142.0;
    public const SIDE_FACING_DEG = 104.0;

    /** Depth of the slate shelf behind the mouth line, m: about 1½ in and ¼ in (WPA, from memory). */
    public const CORNER_SHELF = 0.0381;
    public const SIDE_SHELF = 0.00635;

    /** Radius of the cut in the slate, m (from memory). */
    public const CORNER_DROP_RADIUS = 0.062;
    public const SIDE_DROP_RADIUS = 0.062;

    /** Cue mass kg, tip restitution, ball-to-end-mass ratio for squirt (from memory). */
    public const CUE_MASS = 0.567;
    public const TIP_RESTITUTION = 0.75;
    public const END_MASS_RATIO = 30.0;

    /** Largest tip offset from the centre, in ball radii (common practice, no source). */
    public const MISCUE_LIMIT = 0.5;

    /** Fastest cue speed a person reaches, m/s: a hard break (common practice, no source). */
    public const MAX_CUE_SPEED = 12.0;

    /** Steepest cue of an ordinary stroke, degrees; above it a stroke is a jump or a massé (our own choice). */
    public const MAX_ELEVATION_DEG = 30.0;

    /** Steepest cue at all, degrees: a massé stroke with the cue nearly upright (common practice, no source). */
    public const STEEPEST_DEG = 85.0;

    /** Width of a cue tip, m: between the 11 and 13 mm in use (common practice, no source). */
    public const TIP_WIDTH = 0.0125;

    /** Error of one reading by tape or phone, as a share of it (our own choice). */
    public const READING_ERROR = 0.03;

    /** How much tables and cues differ, as shares of the house value: what is believed before measuring (our own choice). */
    public const SPREAD_ROLL = 0.40;
    public const SPREAD_SLIDE = 0.30;
    public const SPREAD_RESTITUTION = 0.06;
    public const SPREAD_FRICTION = 0.35;
    public const SPREAD_END_MASS = 0.40;

    /**
     * Execution errors of the levels: standard deviations of the cue's direction, degrees, of its speed as a share, and of the tip's
     * place in each direction, m. The first is fitted to LEVEL_POTS by Potting\Calibration. The others are our own choice, so that
     * run-outs are as frequent as people of the level find them. The error of speed is that of a stroke in play, whose pace is judged
     * anew each time; one stroke repeated, as for the lag, is played two or three times better.
     */
    public const LEVEL_AIM_DEG = [
        'first-year' => 0.40,
        'club-night' => 0.22,
        'league' => 0.135,
        'strong-league' => 0.10,
        'advanced' => 0.075,
        'professional' => 0.046,
    ];
    public const LEVEL_SPEED = [
        'first-year' => 0.30,
        'club-night' => 0.25,
        'league' => 0.20,
        'strong-league' => 0.18,
        'advanced' => 0.16,
        'professional' => 0.12,
    ];
    public const LEVEL_TIP = [
        'first-year' => 0.0016,
        'club-night' => 0.0010,
        'league' => 0.0006,
        'strong-league' => 0.0005,
        'advanced' => 0.0004,
        'professional' => 0.00025,
    ];

    /** Shares of five well-known pots that a level makes, to the nearest twentieth (common practice from memory, no source). */
    public const LEVEL_POTS = [
        'first-year' => ['spot' => 0.15, 'long-rolled' => 0.10, 'long-stopped' => 0.10, 'cut' => 0.20, 'frozen' => 0.30],
        'club-night' => ['spot' => 0.30, 'long-rolled' => 0.20, 'long-stopped' => 0.20, 'cut' => 0.30, 'frozen' => 0.50],
        'league' => ['spot' => 0.45, 'long-rolled' => 0.35, 'long-stopped' => 0.35, 'cut' => 0.50, 'frozen' => 0.70],
        'strong-league' => ['spot' => 0.55, 'long-rolled' => 0.45, 'long-stopped' => 0.45, 'cut' => 0.60, 'frozen' => 0.80],
        'advanced' => ['spot' => 0.70, 'long-rolled' => 0.60, 'long-stopped' => 0.60, 'cut' => 0.75, 'frozen' => 0.90],
        'professional' => ['spot' => 0.90, 'long-rolled' => 0.80, 'long-stopped' => 0.80, 'cut' => 0.95, 'frozen' => 1.0],
    ];

    /**
     * Straight pool: by the chance of the spot shot on the table, the share of shots after which a run is still on. That of the league and
     * the advanced player from 237 and 250 racks played; the others are what state values promised of 14 racks each (docs/planning.md).
     */
    public const CLEARING_KEPT = [[0.152, 0.54], [0.271, 0.70], [0.435, 0.87], [0.545, 0.89], [0.669, 0.94], [0.884, 0.964]];

    /** Players' rule of thumb: to go from this chance of the first pot on (common practice, no source). */
    public const GO_RULE = 0.75;

    /** How errors grow (our own choice): per degree of elevation, per metre beyond reach, per m/s of cue speed above QUIET_SPEED. */
    public const ERROR_PER_DEGREE = 0.06;
    public const ERROR_PER_STRETCH = 2.5;
    public const ERROR_PER_SPEED = 0.15;
    public const QUIET_SPEED = 2.5;

    /**
     * A line off a cushion is judged, not seen: by so much the error of aim grows for each cushion that the cue ball takes before the first
     * ball, or a ball on its way to its pocket (our own choice, so that kicks at a hanging ball and banks across the table are made as
     * often as people of the levels find).
     */
    public const ERROR_PER_RAIL_KICKED = 3.0;
    public const ERROR_PER_RAIL_BANKED = 1.0;

    /** The bridge, and the other hand: errors this many times as large (our own choice). */
    public const ERROR_BRIDGE = 1.6;
    public const ERROR_OTHER_HAND = 1.5;

    /**
     * How far from the table's edge a player bridges without stretching, m; longest stretch before the bridge is taken (our own
     * choice).
     */
    public const REACH = 0.85;
    public const MOST_STRETCH = 0.20;

    /** Width of the rail between nose and edge of the table, m (from memory). */
    public const RAIL_WIDTH = 0.14;

    /**
     * The stroke that the table is read with: a rolling one, tip this high (radii), that brings the ball to the pocket at
     * this pace, m/s, cue speed within these bounds, m/s (our own choice).
     */
    public const READING_TIP = 0.2;
    public const READING_PACE = 1.0;
    public const READING_SLOWEST = 0.8;
    public const READING_FASTEST = 4.5;

    /** A place is in the position zone from this chance on (common practice, no source). */
    public const ZONE_CHANCE = 0.75;

    /** A ball goes in a pocket from this free angle on, rad: about half a degree (our own choice). */
    public const LEAST_OPENING = 0.009;

    /** A pocket is narrowed by other balls below this share of its width (our own choice). */
    public const NARROWED = 0.75;

    /** Gap between balls, m: touching; and so near that they hinder each other (our own choice). */
    public const TOUCHING = 0.003;
    public const CLUSTERED = 0.028;

    /** Gap to a rail, m: frozen; and so near that the cue ball's ways are few (our own choice). */
    public const FROZEN = 0.003;
    public const BY_RAIL = 0.03;

    /** Nothing else this near, m: a ball far from the rest, three diamonds of a nine-foot table (our own choice). */
    public const FAR = 0.95;
}
