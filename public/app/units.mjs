// Between the drawing's millimetres and the diamonds that people and the server count in. x runs from the head rail, y from the left.

/** Diamonds along and across. */
export const LONG = 8;
export const ACROSS = 4;

/**
 * @param {{x: number, y: number}} at mm
 * @param {{length: number, width: number}} bed mm
 */
export const diamonds = (at, bed) => ({ x: at.x / bed.length * LONG, y: at.y / bed.width * ACROSS });

/**
 * @param {{x: number, y: number}} at diamonds
 * @param {{length: number, width: number}} bed mm
 */
export const millimetres = (at, bed) => ({ x: at.x / LONG * bed.length, y: at.y / ACROSS * bed.width });

/** "2.50, 1.00" */
export const spoken = ({ x, y }) => `${x.toFixed(2)}, ${y.toFixed(2)}`;

export const clamp = (value, least, most) => Math.min(most, Math.max(least, value));

/** The bed that a drawing shows, mm. */
export const bedOf = (svg) => ({ length: Number(svg.dataset.length), width: Number(svg.dataset.width) });
