// The table: turning it, dragging and nudging balls, picking a pocket on the drawing.

import { openLens } from './lens.mjs';
import { askAt, lookAtBall, probeAt } from './reading.mjs';
import { headRail, isUpright, onScreenChange, turn, viewBox, walkOn, wayOf } from './turn.mjs';
import { ACROSS, LONG, bedOf, clamp, diamonds, spoken } from './units.mjs';

const NUDGE = 0.125; // diamonds
const FINE = 0.02;

const reads = (svg) => svg.classList.contains('reads');
const table = () => document.getElementById('table');

/** After every redraw: as it is seen from the side where one stands. */
export function redress() {
    const svg = table();
    if (!svg) return;
    svg.classList.toggle('upright', isUpright());
    svg.setAttribute('viewBox', viewBox(numbers(svg)));
    const label = svg.getAttribute('aria-label').replace(/head rail \w+/, `head rail ${headRail()}`);
    if (label !== svg.getAttribute('aria-label')) svg.setAttribute('aria-label', label);
    // As the page comes it is not turned: then nothing is touched that the next answer would be compared with.
    const frame = svg.querySelector('#frame');
    if (turn()) frame.setAttribute('transform', `rotate(${turn()})`);
    else frame.removeAttribute('transform');
    dressText(svg);
}

/** Figures stand upright whichever way the table lies. */
function dressText(svg) {
    const turned = turn();
    for (const text of svg.querySelectorAll('.num, .upright-text')) {
        const x = text.getAttribute('x') ?? 0;
        const y = text.getAttribute('y') ?? 0;
        if (turned) text.setAttribute('transform', `rotate(${-turned} ${x} ${y})`);
        else text.removeAttribute('transform');
    }
}

function numbers(svg) {
    const { length, width, margin, reach, radius } = svg.dataset;
    return { length: +length, width: +width, margin: +margin, reach: +reach, radius: +radius };
}

/** The pockets' mouths, mm: a ball may hang in their jaws, a little beyond the nose line. */
function mouths(svg) {
    return svg.dataset.mouths.split(' ').map((mouth) => { const [x, y, half] = mouth.split(',').map(Number); return { x, y, half }; });
}

/** Where a pointer is on the bed, mm. */
export function onBed(svg, event) {
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.querySelector('#frame').getScreenCTM().inverse());
    return { x: point.x, y: point.y };
}

/** The movable ball nearest to the pointer, if it is near enough for a finger; while reading, any ball. */
function nearest(svg, event, at) {
    const scale = svg.querySelector('#frame').getScreenCTM();
    const pixels = Math.hypot(scale.a, scale.b);
    const limit = Math.max(numbers(svg).radius * 1.2, (event.pointerType === 'touch' ? 26 : 12) / pixels);
    let best = null;
    for (const ball of svg.querySelectorAll(reads(svg) ? '.ball' : '.ball.movable')) {
        const far = Math.hypot(ball.dataset.x - at.x, ball.dataset.y - at.y);
        if (far <= limit && (!best || far < best.far)) best = { ball, far };
    }
    return best?.ball ?? null;
}

/** Whether a ball could lie there as far as the eye can tell; the server has the last word. */
function fits(svg, name, x, y) {
    const { length, width, reach, radius } = numbers(svg);
    const slack = 12; // it will be snapped to the rail or the other ball
    const inJaws = mouths(svg).some((mouth) => Math.hypot(mouth.x - x, mouth.y - y) < mouth.half);
    if (!inJaws && (x < reach - slack || y < reach - slack || x > length - reach + slack || y > width - reach + slack)) return false;
    return ![...svg.querySelectorAll('.ball')].some((other) => other.dataset.ball !== name
        && Math.hypot(other.dataset.x - x, other.dataset.y - y) < 2 * radius - 5);
}

function send(values) {
    const form = document.getElementById('place');
    for (const [key, value] of Object.entries(values)) form.elements[key].value = value;
    form.requestSubmit();
}

export function watchTable() {
    onScreenChange(redress);
    document.addEventListener('click', (event) => {
        if (!event.target.closest?.('#turn-table')) return;
        walkOn();
        redress();
    });
    document.addEventListener('zl:dressed', () => { if (table()) dressText(table()); });
    let drag = null;

    document.addEventListener('pointerdown', (event) => {
        const svg = event.target.closest?.('#table');
        if (!svg || event.button !== 0) return;
        const at = onBed(svg, event);
        const ball = nearest(svg, event, at);
        if (!ball && reads(svg)) {
            const { length, width } = bedOf(svg);
            if (at.x < 0 || at.y < 0 || at.x > length || at.y > width) return;
            event.preventDefault();
            drag = { svg, place: true };
            svg.setPointerCapture(event.pointerId);
            askAt(diamonds(at, bedOf(svg)));
            return;
        }
        if (!ball) return;
        event.preventDefault();
        ball.focus();
        drag = { svg, ball, moved: false, dx: ball.dataset.x - at.x, dy: ball.dataset.y - at.y, from: at };
        svg.setPointerCapture(event.pointerId);
    });
    document.addEventListener('pointermove', (event) => {
        if (!drag) return;
        const at = onBed(drag.svg, event);
        if (drag.place) {
            askAt(diamonds(at, bedOf(drag.svg)));
            return;
        }
        if (!drag.ball.classList.contains('movable')) return;
        if (!drag.moved && Math.hypot(at.x - drag.from.x, at.y - drag.from.y) < 4) return;
        drag.moved = true;
        if (event.pointerType === 'touch') drag.lens ??= openLens(drag.svg, drag.ball.dataset.ball);
        const x = at.x + drag.dx;
        const y = at.y + drag.dy;
        drag.x = x;
        drag.y = y;
        drag.ball.classList.add('dragged');
        drag.ball.classList.toggle('cannot', !fits(drag.svg, drag.ball.dataset.ball, x, y));
        drag.ball.setAttribute('transform', `translate(${x} ${y})`);
        const hint = drag.svg.querySelector('#draghint');
        hint.removeAttribute('hidden');
        hint.setAttribute('x', x);
        hint.setAttribute('y', y);
        const told = diamonds({ x, y }, bedOf(drag.svg));
        hint.textContent = spoken(told);
        hint.setAttribute('transform', `rotate(${-turn()} ${x} ${y}) translate(0 -70)`);
        drag.lens?.show(event, x, y);
        if (drag.ball.dataset.ball === 'cue') probeAt(told);
    });
    const drop = (event) => {
        if (!drag) return;
        const { svg, ball, moved, x, y, place, lens } = drag;
        drag = null;
        lens?.close();
        if (place) return;
        ball.classList.remove('dragged', 'cannot');
        svg.querySelector('#draghint').setAttribute('hidden', '');
        if (!moved) {
            if (reads(svg) && event.type === 'pointerup') lookAtBall(ball.dataset.ball);
            return;
        }
        const home = () => ball.setAttribute('transform', `translate(${ball.dataset.x} ${ball.dataset.y})`);
        if (event.type === 'pointercancel') return home();
        home(); // the answer says where it lies now
        // Beyond the rails is the nearest place on the table, unless it is in a pocket's jaws.
        const jaws = mouths(svg).some((mouth) => Math.hypot(mouth.x - x, mouth.y - y) < mouth.half);
        const to = diamonds({ x, y }, bedOf(svg));
        const inside = (v, most) => (jaws ? v : clamp(v, 0, most));
        send({ op: 'place', ball: ball.dataset.ball, x: inside(to.x, LONG).toFixed(4), y: inside(to.y, ACROSS).toFixed(4) });
    };
    document.addEventListener('pointerup', drop);
    document.addEventListener('pointercancel', drop);
    // While a ball is dragged by touch the page must not scroll.
    document.addEventListener('touchmove', (event) => { if (drag) event.preventDefault(); }, { passive: false });

    document.addEventListener('click', (event) => {
        const pick = event.target.closest?.('.pocket-pick');
        if (pick) document.getElementById(`pocket-${pick.dataset.pocket}`)?.click();
    });

    document.addEventListener('keydown', (event) => {
        const ball = event.target.closest?.('.ball.movable');
        if (!ball) return;
        const way = wayOf(event.key);
        if (way) {
            event.preventDefault();
            const step = event.shiftKey ? FINE : NUDGE;
            send({ op: 'nudge', ball: ball.dataset.ball, dx: way[0] * step, dy: way[1] * step });
        } else if (event.key === 'Delete' && ball.dataset.ball !== 'cue') {
            event.preventDefault();
            send({ op: 'remove', ball: ball.dataset.ball });
        }
    });
}
