// A rack to choose at: ball, pocket, order, spot, stroke, one after the other, by pointing or with the keys.

import { el } from '../at-table/draw.mjs';
import { ACROSS, LONG, clamp } from '../units.mjs';
import { wayOf } from '../turn.mjs';
import { answerOf, begin, pickBall, pickPocket, pickSpot, step, undo, unordered } from './choosing.mjs';
import { dressTable } from './dress.mjs';
import { askUntilThere } from './waiting.mjs';

const $ = (id) => document.getElementById(id);
const svg = $('choice-table');
const question = JSON.parse($('question').textContent);
const pockets = [...svg.querySelectorAll('[data-pocket]')];
const balls = [...svg.querySelectorAll('.ball')];

/** A finger this near to a ball points at it, diamonds; and to a pocket. */
const AT_BALL = 0.4;
const AT_POCKET = 0.7;
/** Steps of the keys: diamonds, and shares of a ball's radius. */
const STEP = 0.125;
const TIP_STEP = 0.05;
/** The tip goes no further out. */
const LIMIT = 0.5;

const TITLES = { ball: 'Which ball first?', order: 'And then?', spot: 'Where is the cue ball to stop?', stroke: 'With which tip and pace?' };

let state = begin(question);
const stroke = { side: 0, height: 0, lengths: 1.5 };

const [softest, hardest] = [Math.min(...Object.values(question.paces)), Math.max(...Object.values(question.paces))];
/** The slider runs evenly in the ratio of speeds. */
const lengthsAt = (share) => softest * (hardest / softest) ** share;

/** The pace nearest to so many lengths: by their ratio. */
function paceOf(lengths) {
    const far = (name) => Math.abs(Math.log(question.paces[name] / lengths));
    return Object.keys(question.paces).reduce((best, name) => (far(name) < far(best) ? name : best));
}

/** The tip by the clock, as the server says it. */
function clockOf({ side, height }) {
    const quarters = Math.round(Math.hypot(side, height) * question.tips * 4);
    if (quarters === 0) return 'centre';
    const halfHours = (Math.round((Math.atan2(side, height) / Math.PI) * 12) + 24) % 24;
    const hour = Math.floor(halfHours / 2) || 12;
    const part = ['', '¼', '½', '¾'][quarters % 4];
    return `${halfHours % 2 ? `half past ${hour}` : `${hour} o’clock`}, ${Math.floor(quarters / 4) || ''}${part} ${quarters > 4 ? 'tips' : 'tip'}`;
}

const toMm = ([x, y]) => [(x * svg.dataset.length) / LONG, (y * svg.dataset.width) / ACROSS];

function marks() {
    const drawn = [];
    const ball = balls.find((one) => one.dataset.ball === state.ball);
    const pocket = pockets.find((one) => one.dataset.pocket === state.pocket)?.querySelector('.ring');
    if (ball) drawn.push(el('circle', { class: 'chosenball', cx: ball.dataset.x, cy: ball.dataset.y, r: 60 }));
    if (ball && pocket) drawn.push(el('path', { class: 'potline', d: `M${ball.dataset.x} ${ball.dataset.y}L${pocket.getAttribute('cx')} ${pocket.getAttribute('cy')}` }));
    state.order.forEach((name) => {
        const one = balls.find((each) => each.dataset.ball === name);
        drawn.push(el('circle', { class: 'chosenball then', cx: one.dataset.x, cy: one.dataset.y, r: 60 }));
    });
    if (state.spot) {
        const [x, y] = toMm(state.spot);
        drawn.push(el('path', { class: 'spotmark', d: `M${x - 34} ${y - 34}l68 68m0 -68l-68 68` }));
    }
    $('choice-marks').replaceChildren(...drawn);
}

function button(text, press) {
    const made = document.createElement('button');
    made.className = 'button';
    made.textContent = text;
    made.addEventListener('click', () => {
        press();
        // The buttons are others now: whoever came by the keys goes on where the next thing is said.
        ($('picks').querySelector('button') ?? svg).focus({ preventScroll: true });
    });
    return made;
}

/** The same by buttons as by pointing: for the keyboard, and where fingers are thick. */
function choices(asked) {
    if (asked === 'ball') return question.now.map((name) => button(name, () => to(pickBall(state, name))));
    if (asked === 'order') return unordered(state).map((name) => button(name, () => to(pickBall(state, name))));
    if (asked === 'pocket') return pockets.map(({ dataset: { pocket } }) => button(pocket.replace('-', ' '), () => to(pickPocket(state, pocket))));
    return [];
}

function show() {
    const asked = step(state);
    svg.dataset.step = asked;
    $('title').textContent = asked === 'pocket' ? `The ${state.ball}: into which pocket?` : TITLES[asked];
    $('undo').disabled = !state.before;
    $('picks').replaceChildren(...choices(asked));
    $('strokebox').hidden = asked !== 'stroke';
    $('said').textContent = asked === 'spot' ? 'Point at the place; the arrow keys move it.' : '';
    for (const ball of balls) ball.classList.toggle('open', (asked === 'ball' ? question.now : asked === 'order' ? unordered(state) : []).includes(ball.dataset.ball));
    marks();
    $('hitspot').setAttribute('cx', stroke.side * 100);
    $('hitspot').setAttribute('cy', -stroke.height * 100);
    $('pace').textContent = `${paceOf(stroke.lengths)}, ${stroke.lengths.toFixed(1)} lengths`;
    $('tipsays').textContent = `Tip: ${clockOf(stroke)}`;
    $('choice-tip').setAttribute('aria-valuetext', clockOf(stroke));
}

function to(next) {
    state = next;
    show();
}

const place = (event) => {
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.querySelector('.frame').getScreenCTM().inverse());
    return [(point.x * LONG) / svg.dataset.length, (point.y * ACROSS) / svg.dataset.width];
};
const inside = ([x, y]) => [clamp(x, 0.1, LONG - 0.1), clamp(y, 0.1, ACROSS - 0.1)].map((v) => Math.round(v * 1000) / 1000);

/** The nearest of some to a place, as far as it is near enough. */
function nearest(from, some, placeOf, reach) {
    let best = null;
    for (const one of some) {
        const [x, y] = placeOf(one);
        const far = Math.hypot(x - from[0], y - from[1]);
        if (far < reach && (!best || far < best.far)) best = { one, far };
    }
    return best?.one ?? null;
}

const ballPlace = (ball) => [(ball.dataset.x * LONG) / svg.dataset.length, (ball.dataset.y * ACROSS) / svg.dataset.width];
const pocketPlace = (pocket) => {
    const ring = pocket.querySelector('.ring');
    return [(ring.getAttribute('cx') * LONG) / svg.dataset.length, (ring.getAttribute('cy') * ACROSS) / svg.dataset.width];
};

function pointed(event) {
    const at = place(event);
    const asked = step(state);
    if (asked === 'pocket') {
        const pocket = nearest(at, pockets, pocketPlace, AT_POCKET);
        if (pocket) to(pickPocket(state, pocket.dataset.pocket));
    } else if (asked === 'ball' || asked === 'order') {
        const ball = nearest(at, balls.filter((one) => one.classList.contains('open')), ballPlace, AT_BALL);
        if (ball) to(pickBall(state, ball.dataset.ball));
    } else {
        to(pickSpot(state, inside(at)));
    }
}

let held = false;
svg.addEventListener('pointerdown', (event) => {
    if (event.button !== 0) return;
    event.preventDefault();
    svg.focus({ preventScroll: true });
    pointed(event);
    held = step(state) === 'stroke' && state.spot !== null;
    if (held) svg.setPointerCapture(event.pointerId);
});
svg.addEventListener('pointermove', (event) => { if (held) to(pickSpot(state, inside(place(event)))); });
for (const end of ['pointerup', 'pointercancel']) svg.addEventListener(end, () => { held = false; });
svg.addEventListener('keydown', (event) => {
    const way = wayOf(event.key);
    if (!way || !['spot', 'stroke'].includes(step(state))) return;
    event.preventDefault();
    const [x, y] = state.spot ?? [LONG / 2, ACROSS / 2];
    to(pickSpot(state, state.spot ? inside([x + way[0] * STEP, y + way[1] * STEP]) : [x, y]));
});

const tip = $('choice-tip');
function strike(side, height) {
    const far = Math.hypot(side, height);
    const scale = far > LIMIT ? LIMIT / far : 1;
    stroke.side = Math.round(side * scale * 100) / 100;
    stroke.height = Math.round(height * scale * 100) / 100;
    show();
}
function struck(event) {
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(tip.getScreenCTM().inverse());
    strike(point.x / 100, -point.y / 100);
}
tip.addEventListener('pointerdown', (event) => {
    event.preventDefault();
    tip.setPointerCapture(event.pointerId);
    struck(event);
});
tip.addEventListener('pointermove', (event) => { if (tip.hasPointerCapture(event.pointerId)) struck(event); });
tip.addEventListener('keydown', (event) => {
    const way = { ArrowUp: [0, 1], ArrowDown: [0, -1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] }[event.key];
    if (!way) return;
    event.preventDefault();
    strike(stroke.side + way[0] * TIP_STEP, stroke.height + way[1] * TIP_STEP);
});
$('choice-speed').addEventListener('input', () => {
    stroke.lengths = Math.round(lengthsAt($('choice-speed').value / 100) * 100) / 100;
    show();
});
$('undo').addEventListener('click', () => to(undo(state)));
$('answer').addEventListener('click', async () => {
    $('answer').disabled = true;
    $('undo').disabled = true;
    $('said').textContent = 'Planning …';
    try {
        const { address } = await askUntilThere($('choice').dataset.answer, answerOf(state, stroke), ({ searched, shots }) => {
            $('said').textContent = shots && searched >= shots ? 'Playing yours …' : `Planning: shot ${Math.min(shots, searched + 1) || 1} of ${shots || '…'}`;
        });
        location.assign(address);
    } catch (error) {
        $('said').textContent = error.message;
        $('answer').disabled = false;
        $('undo').disabled = false;
    }
});
stroke.lengths = Math.round(lengthsAt($('choice-speed').value / 100) * 100) / 100;
dressTable();
show();
