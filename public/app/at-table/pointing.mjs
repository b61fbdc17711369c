// Pointing at a place on the table with a finger or a mouse: a lens above the finger, and balls that touch rails and each other.

import { put } from '../above.mjs';
import { headRail, isUpright, turn, viewBox } from '../turn.mjs';
import { ACROSS, LONG, clamp } from '../units.mjs';

/** Nearer to a rail or a ball than this a ball is taken to touch it, diamonds: about 1 cm. */
const SNAP = 0.03;

/** Size of the lens, screen px. */
const GLASS = 110;

/** Turns the drawing to the side where one stands. */
export function redress(svg) {
    const { length, width, margin } = svg.dataset;
    svg.classList.toggle('upright', isUpright());
    svg.setAttribute('viewBox', viewBox({ length: +length, width: +width, margin: +margin }));
    const frame = svg.querySelector('.frame');
    if (turn()) frame.setAttribute('transform', `rotate(${turn()})`);
    else frame.removeAttribute('transform');
    svg.setAttribute('aria-label', `Table, head rail ${headRail()}`);
}

/** A place where a ball can lie, near to the one pointed at; others are places of the other balls. */
export function settle([x, y], radius, others) {
    // Where the cushions let it: a ball's middle is its radius from a nose.
    const rail = (v, most) => (v < radius + SNAP ? radius : v > most - radius - SNAP ? most - radius : v);
    let place = [rail(x, LONG), rail(y, ACROSS)];
    for (const [u, v] of others) {
        const far = Math.hypot(place[0] - u, place[1] - v);
        if (far < 2 * radius + SNAP) {
            const way = far > 1e-6 ? [(place[0] - u) / far, (place[1] - v) / far] : [1, 0];
            // A hair more than a ball's width: balls that overlap are refused.
            place = [u + way[0] * (2 * radius + 1e-6), v + way[1] * (2 * radius + 1e-6)];
        }
    }
    return [clamp(place[0], radius, LONG - radius), clamp(place[1], radius, ACROSS - radius)].map((v) => Math.round(v * 1e6) / 1e6);
}

/** Watches a table: pointed(place, ball or null) when the finger goes up; while it is down a lens shows what is under it. */
export function watch({ svg, lens, movable, pointed, moving }) {
    let held = null;
    const length = () => +svg.dataset.length;
    const at = (event) => {
        const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.querySelector('.frame').getScreenCTM().inverse());
        return [(point.x * LONG) / length(), (point.y * LONG) / length()];
    };
    const ballAt = (place) => {
        let best = null;
        for (const ball of svg.querySelectorAll('.ball')) {
            const far = Math.hypot((ball.dataset.x * LONG) / length() - place[0], (ball.dataset.y * LONG) / length() - place[1]);
            if (far < 0.35 && (!best || far < best.far)) best = { name: ball.dataset.ball, far };
        }
        return best?.name ?? null;
    };
    const look = (event, place) => {
        const [x, y] = [(place[0] * length()) / LONG, (place[1] * length()) / LONG];
        put(lens, event, svg.parentElement.getBoundingClientRect(), GLASS);
        lens.firstElementChild.setAttribute('viewBox', '-90 -90 180 180');
        lens.querySelector('.under').setAttribute('transform', `rotate(${turn()}) translate(${-x} ${-y})`);
    };
    svg.addEventListener('pointerdown', (event) => {
        if (event.button !== 0) return;
        const place = at(event);
        const which = movable(ballAt(place));
        if (which === undefined) return;
        event.preventDefault();
        held = { which, place };
        svg.setPointerCapture(event.pointerId);
        moving(place, which);
        look(event, place);
    });
    svg.addEventListener('pointermove', (event) => {
        if (!held) return;
        held.place = at(event);
        moving(held.place, held.which);
        look(event, held.place);
    });
    const up = (event) => {
        if (!held) return;
        const { which, place } = held;
        held = null;
        lens.hidden = true;
        if (event.type === 'pointerup') pointed(place, which);
        else moving(null, which);
    };
    svg.addEventListener('pointerup', up);
    svg.addEventListener('pointercancel', up);
    svg.addEventListener('touchmove', (event) => { if (held) event.preventDefault(); }, { passive: false });
}
