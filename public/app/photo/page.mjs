// A table laid out from a picture: the tips of the cushions are pointed at, then the balls. The server works out where they lie.

import { postJson } from '../post.mjs';
import { clamp, bedOf } from '../units.mjs';
import { drawMap, drawOver } from './draw.mjs';
import { drawList, ready, toTake } from './list.mjs';
import { loupe } from './loupe.mjs';

const FEWEST = 4;
const AT_CORNERS = 8;
const NUDGE = 1;
const FAR = 10;
/** A mark is taken hold of from so near, screen px. */
const GRAB = 10;
/** A finger that moves less than this stays where it was, screen px. */
const STILL = 3;

const $ = (id) => document.getElementById(id);
const page = $('photo');
const svg = $('shot');
const map = $('map');
const { address, hash } = page.dataset;
const [width, height] = [+page.dataset.width, +page.dataset.height];
const tips = JSON.parse($('tips').textContent);
const names = JSON.parse($('names').textContent).map(String);
const stored = `zl-photo ${address} ${hash}`;

let state = { step: 'tips', tips: {}, skipped: [], order: [], balls: [], turn: 0 };
let camera = null;
let asked = 0;
/** Where the tips were expected when they last fitted. */
let hints = {};

try {
    state = { ...state, ...JSON.parse(sessionStorage.getItem(stored) ?? '{}') };
} catch { /* a new beginning */ }

const keep = () => {
    try {
        sessionStorage.setItem(stored, JSON.stringify(state));
    } catch { /* it works without */ }
};

const ask = (what, body) => postJson(`${address}/${what}`, body);

const wanted = () => tips.find((tip) => !(tip.name in state.tips) && !state.skipped.includes(tip.name));
const count = () => Object.keys(state.tips).length;
const scale = () => svg.getScreenCTM().a;

function say(text, bad = true) {
    $('doubt').hidden = !text;
    $('doubt').textContent = text ?? '';
    $('doubt').classList.toggle('bad', bad);
}

async function look() {
    const mine = ++asked;
    camera = null;
    say(null);
    if (count() >= FEWEST) {
        try {
            const seen = await ask('camera', { tips: state.tips });
            if (mine !== asked) return;
            camera = seen;
            if (seen.lines.length) hints = seen.hints;
            say(seen.doubt, seen.forbids);
        } catch (problem) {
            if (mine === asked) say(problem.message);
        }
    }
    draw();
}

async function pointAtBall([u, v], place = state.balls.length) {
    try {
        const others = state.balls.filter((_, n) => n !== place).map((b) => [b.x, b.y, b.circle]);
        const seen = await ask('ball', { tips: state.tips, at: [u, v], others });
        const taken = state.balls.filter((_, n) => n !== place).map((b) => b.ball);
        const before = state.balls[place]?.ball;
        const guess = seen.guess && names.includes(seen.guess) && !taken.includes(seen.guess) ? seen.guess : '';
        // Others are numbered without this one; it stands at its own place.
        const near = seen.near.map((n) => (n >= place ? n + 1 : n));
        state.balls[place] = { ...seen, near, ball: before ?? guess };
        say(seen.found ? null : 'No outline was found here: the ball lies where you pointed. Move it with the arrows, or point again.', false);
    } catch (problem) {
        say(problem.message);
    }
    keep();
    draw();
}

function point(at) {
    if (state.step === 'balls') return pointAtBall(at);
    const tip = wanted();
    if (!tip) return undefined;
    state.tips[tip.name] = at;
    state.order.push(tip.name);
    keep();
    return look();
}

function last() {
    return state.step === 'balls' ? state.balls.length - 1 : state.order.at(-1);
}

/** The mark under the finger: a ball's number in the list, or a tip's name. */
function markAt([u, v]) {
    const far = (p) => Math.hypot(p[0] - u, p[1] - v);
    const reach = GRAB / scale();
    if (state.step === 'balls') {
        const n = state.balls.findIndex((b) => far(b.seen) < reach);
        return n < 0 ? null : n;
    }
    // The two tips of a pocket are near each other: where the one asked for is expected, it is meant.
    const expected = hints[wanted()?.name];
    return Object.keys(state.tips).find((name) => far(state.tips[name]) < reach && !(expected && far(expected) < far(state.tips[name]))) ?? null;
}

function move(which, at) {
    if (state.step === 'balls') return pointAtBall(at, which);
    state.tips[which] = at;
    keep();
    return look();
}

function undo() {
    if (state.step === 'balls') {
        if (state.balls.length) removeBall(state.balls.length - 1);
        else state.step = 'tips';
    } else {
        const name = state.order.pop();
        delete state.tips[name];
        const after = tips.findIndex((tip) => tip.name === name);
        state.skipped = state.skipped.filter((other) => tips.findIndex((tip) => tip.name === other) < after);
    }
    keep();
    look();
}

function removeBall(place) {
    state.balls.splice(place, 1);
    for (const ball of state.balls) {
        ball.near = ball.near.filter((n) => n !== place).map((n) => (n > place ? n - 1 : n));
        if (ball.touches === place) delete ball.touches;
        else if (ball.touches > place) ball.touches -= 1;
    }
}

/** What is asked for now. */
function question(tip) {
    if (state.step === 'balls') return [state.balls.length ? 'Point at the next ball, or drag a mark.' : 'Point at each ball; near it is enough.'];
    if (!tip) return ['That is all of them.'];
    const what = Object.assign(document.createElement('b'), { textContent: tip.spoken });
    return [`${count() + 1} of ${count() < FEWEST ? 'at least 4' : tips.length}: the end of the cushion’s nose at the `, what, '.'];
}

function draw() {
    const inBalls = state.step === 'balls';
    const tip = wanted();
    $('ask').replaceChildren(...question(tip));
    $('photo-skip').hidden = inBalls || !tip;
    $('photo-undo').disabled = !inBalls && !state.order.length;
    $('to-balls').hidden = inBalls || count() < FEWEST || !camera || camera.forbids;
    $('to-balls').classList.toggle('is-primary', count() >= AT_CORNERS || !tip);
    $('to-tips').hidden = !inBalls;
    $('take-photo').hidden = !inBalls || !state.balls.length;
    $('found').hidden = !inBalls;
    const bed = bedOf(map);
    const again = () => { keep(); draw(); };
    drawOver(svg, $('over'), { state, camera, wanted: tip });
    drawMap(map, $('marks'), { state, camera, wanted: tip, tips });
    drawList($('found'), { balls: state.balls, names, bed, changed: again, gone: (n) => { removeBall(n); again(); } });
    const [text, can] = ready(state.balls);
    $('take-photo').elements.balls.value = JSON.stringify(toTake(state.balls, bed));
    $('take-balls').textContent = text;
    $('take-balls').disabled = !can;
}

/** Where a pointer is in the picture, px. */
function inPicture(event) {
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse());
    return [clamp(x, 0, width), clamp(y, 0, height)].map((v) => Math.round(v * 10) / 10);
}

const glass = loupe($('loupe'), svg.querySelector('image').getAttribute('href'), svg.parentElement);
let held = null;
svg.addEventListener('pointerdown', (event) => {
    if (event.button !== 0) return;
    event.preventDefault();
    svg.focus({ preventScroll: true });
    const at = inPicture(event);
    const which = markAt(at);
    held = { which, from: at };
    svg.setPointerCapture(event.pointerId);
    glass.show(event, at);
});
svg.addEventListener('pointermove', (event) => {
    if (held) glass.show(event, inPicture(event));
});
svg.addEventListener('pointerup', (event) => {
    if (!held) return;
    const { which, from } = held;
    held = null;
    glass.hide();
    const at = inPicture(event);
    const moved = Math.hypot(at[0] - from[0], at[1] - from[1]) * scale() > STILL;
    // A mark that is only touched stands in the way of the tip beside it.
    if (which === null || (!moved && state.step === 'tips' && wanted())) point(at);
    else if (moved) move(which, at);
});
svg.addEventListener('pointercancel', () => { held = null; glass.hide(); });
svg.addEventListener('touchmove', (event) => { if (held) event.preventDefault(); }, { passive: false });

const WAYS = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };
svg.addEventListener('keydown', (event) => {
    const way = WAYS[event.key];
    if (way && (state.step === 'balls' ? state.balls.length : state.order.length)) {
        event.preventDefault();
        const step = event.shiftKey ? FAR : NUDGE;
        const which = last();
        const [u, v] = state.step === 'balls' ? state.balls[which].seen : state.tips[which];
        move(which, [clamp(u + way[0] * step, 0, width), clamp(v + way[1] * step, 0, height)]);
    } else if (event.key === 'Enter') {
        event.preventDefault();
        point(camera?.hints[wanted()?.name] ?? [width / 2, height / 2]);
    }
});

$('photo-undo').addEventListener('click', undo);
$('photo-skip').addEventListener('click', () => { state.skipped.push(wanted().name); keep(); draw(); });
$('photo-anew').addEventListener('click', () => { state = { ...state, step: 'tips', tips: {}, skipped: [], order: [], balls: [] }; keep(); look(); });
$('turn-map').addEventListener('click', () => { state.turn = (state.turn + 90) % 360; keep(); draw(); });
$('to-balls').addEventListener('click', () => { state.step = 'balls'; keep(); draw(); });
$('to-tips').addEventListener('click', () => { state.step = 'tips'; keep(); draw(); });
addEventListener('resize', draw);
look();
