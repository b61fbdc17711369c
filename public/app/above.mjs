// Where a magnifier goes: above the finger, within its box; below it where there is no room.

import { clamp } from './units.mjs';

/** Screen px between the finger and the glass. */
const APART = 42;
/** The glass may reach so far over the box's upper edge. */
const OVER = 50;

/** Left and top of a glass so large, from the box's corner. */
export function above(event, box, size) {
    const top = event.clientY - box.top - size - APART;
    return {
        left: clamp(event.clientX - box.left - size / 2, 0, box.width - size),
        top: top < -OVER ? event.clientY - box.top + APART : top,
    };
}

/** Puts it there. */
export function put(glass, event, box, size) {
    const { left, top } = above(event, box, size);
    glass.hidden = false;
    glass.style.left = `${left}px`;
    glass.style.top = `${top}px`;
}
