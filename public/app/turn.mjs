// From which side the table is seen: the four sides in turn, remembered for the rack.

const NARROW = matchMedia('(max-width: 820px) and (orientation: portrait)');
const SIDES = { 0: 'left', '-90': 'bottom', 180: 'right', 90: 'top' };
const STEP = 90;

// The page at the table is the same rack.
const key = () => `zl-turn ${location.pathname.replace(/\/table$/, '')}`;

function stored() {
    try {
        const turn = localStorage.getItem(key());
        return turn in SIDES ? Number(turn) : null;
    } catch {
        return null; // nothing may be remembered here
    }
}

/** Degrees that the table is turned by, clockwise: as it was left, else upright with the head rail at the bottom on a narrow screen. */
export const turn = () => stored() ?? (NARROW.matches ? -90 : 0);

/** Calls back when the screen becomes narrow or wide. */
export const onScreenChange = (changed) => NARROW.addEventListener('change', changed);

/** Looks from the next side. */
export function walkOn() {
    const next = turn() + STEP;
    try {
        localStorage.setItem(key(), next > 180 ? next - 360 : next);
    } catch {
        // Then it stays as it is.
    }
}

/** Whether the long rails run up the screen. */
export const isUpright = () => Math.abs(turn()) === 90;

/** Where the head rail is on the screen. */
export const headRail = () => SIDES[turn()];

/** The part of the drawing that is seen, for a table with these measures and margin. */
export function viewBox({ length, width, margin }) {
    const [x, y] = { 0: [0, 0], '-90': [0, -length], 180: [-length, -width], 90: [-width, 0] }[turn()];
    const [w, h] = isUpright() ? [width, length] : [length, width];
    return `${x - margin} ${y - margin} ${w + 2 * margin} ${h + 2 * margin}`;
}

/** The step along and across the table that an arrow key asks for, or undefined. */
export function wayOf(arrow) {
    const way = { ArrowUp: [0, -1], ArrowDown: [0, 1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] }[arrow];
    if (!way) return undefined;
    const [x, y] = way;
    return { 0: [x, y], '-90': [-y, x], 180: [-x, -y], 90: [y, -x] }[turn()];
}
