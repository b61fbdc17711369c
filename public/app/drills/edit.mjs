// Makes a drill of a rack: areas on its table, points for each, and a check by the simulated player.

import { el } from '../at-table/draw.mjs';
import { postJson } from '../post.mjs';
import { LONG } from '../units.mjs';
import { band, corner, drillOf, middle, moved, outline, ring, sized } from './areas.mjs';

const AGAIN = 400;
const NUDGE = 0.125;
const GRAB = 22;

const $ = (id) => document.getElementById(id);
const page = $('drill-edit');
const svg = $('edit-table');
const form = $('drill-form');
const start = JSON.parse($('start').textContent);
const scale = +svg.dataset.length / LONG;

const areas = [];
let chosen = -1;
let corners = null;
/** Whether points were typed. */
let said = false;
let held = null;
let asked = 0;

form.elements.name.value = start.name;
form.elements.made.checked = Boolean(start.shots[0]?.shot.ball);

const names = ['cue', ...Object.keys(start.balls).filter((name) => name !== 'cue')];
const ballName = (name) => (name === 'cue' ? 'cue ball' : `the ${name}`);
/** Conditions beside the areas. */
const needs = [];
/** How far round its place each ball is drawn, diamonds. */
const spread = Object.fromEntries(names.map((name) => [name, 0]));
const course = () => form.elements.course.value;

const mm = ([x, y]) => `${(x * scale).toFixed(1)} ${(y * scale).toFixed(1)}`;

function say(problem) {
    $('problem').hidden = !problem;
    $('problem').textContent = problem ?? '';
}

function drawAreas() {
    const parts = areas.flatMap(({ area, ball }, n) => {
        const kind = `goal${ball === 'cue' ? '' : ' forball'}${n === chosen ? ' chosen' : ''}`;
        const path = el('path', { class: kind, d: `M${outline(area).map(mm).join('L')}Z`, 'data-n': n });
        const [cx, cy] = mm(corner(area)).split(' ');
        return [path, el('circle', { class: 'sizer', cx, cy, r: 26, 'data-n': n })];
    });
    if (corners?.length) parts.push(el('polyline', { class: 'goal chosen', points: corners.map(mm).join(' ') }));
    $('areas').replaceChildren(...parts);
}

/** The first is the best one, until somebody says otherwise. */
function number() {
    if (!said) areas.forEach((one, n) => { one.points = areas.length - n; });
}

function field(tag, values, changed) {
    const made = Object.assign(document.createElement(tag), values);
    made.addEventListener('change', () => changed(made));
    return made;
}

/** A list to choose from, of values and words. */
function choice(label, options, value, changed) {
    const list = field('select', { ariaLabel: label }, (box) => changed(box.value));
    list.append(...options.map(([key, text]) => Object.assign(document.createElement('option'), { value: key, textContent: text, selected: key === value })));
    const box = document.createElement('span');
    box.className = 'select';
    box.append(list);
    return box;
}

const ballChoices = () => names.map((name) => [name, ballName(name)]);

function crossing(title, press) {
    const gone = Object.assign(document.createElement('button'), { type: 'button', className: 'button is-ghost', textContent: '×', title, ariaLabel: title });
    gone.addEventListener('click', press);
    return gone;
}

const figure = (label, values, changed) => field('input', { type: 'number', className: 'input', ariaLabel: label, ...values }, (box) => changed(+box.value));

/** What a condition asks for, with what can be set of it. */
const PARTS = {
    hidden: (need) => ['hidden:', choice('Which ball is hidden', ballChoices().slice(1), need.ball, (name) => { need.ball = name; }),
        'seen at most', figure('Share that is seen, %', { min: 0, max: 100, value: need.share * 100 }, (v) => { need.share = v / 100; }), '%'],
    apart: (need) => ['apart:', choice('One ball', ballChoices(), need.ball, (name) => { need.ball = name; }),
        choice('The other ball', ballChoices(), need.other, (name) => { need.other = name; }),
        figure('Diamonds', { min: 0.2, max: 8, step: 0.1, value: need.far }, (v) => { need.far = v; }), 'diamonds'],
    moves: (need) => [figure('Balls that move', { min: 1, max: 15, value: need.many }, (v) => { need.many = Math.round(v); }), 'balls move, besides the one that is potted'],
};
const fresh = (kind) => ({ kind, ball: kind === 'hidden' ? names[1] : names[0], other: names[1], share: 0, far: 2, many: 2 });

function needRow(need, n) {
    const line = document.createElement('li');
    line.append(...PARTS[need.kind](need), crossing('Take this condition away', () => { needs.splice(n, 1); draw(); }));
    return line;
}

const SPREADS = [['0', 'as it lies'], ['0.5', 'drawn within ½ diamond'], ['1', 'drawn within 1 diamond'], ['2', 'drawn within 2 diamonds']];
function spreadRow(name) {
    const line = document.createElement('li');
    line.append(ballName(name), choice(`Where ${ballName(name)} lies`, SPREADS, String(spread[name]), (far) => {
        spread[name] = +far;
        $('cuts').hidden = !Object.values(spread).some((v) => v > 0);
    }));
    return line;
}

function row(one, n) {
    const line = document.createElement('li');
    const points = field('input', { type: 'number', className: 'input', min: 1, max: 100, value: one.points, ariaLabel: 'Points' }, (box) => { one.points = Math.max(1, Math.round(+box.value) || 1); said = true; });
    const says = field('input', { className: 'input', maxLength: 60, value: one.says, ariaLabel: 'In words' }, (box) => { one.says = box.value; });
    const ball = choice('Which ball stops there', ballChoices(), one.ball, (name) => { one.ball = name; drawAreas(); });
    const shots = start.shots.map(({ title }, k) => [String(k), `${k + 1}. ${title}`]);
    const shot = course() === 'run' ? [choice('After which shot', shots, String(one.shot ?? 0), (k) => { one.shot = +k; })] : [];
    line.append(points, says, ball, ...shot, crossing('Take this area away', () => { areas.splice(n, 1); chosen = -1; number(); draw(); }));
    line.addEventListener('focusin', () => { chosen = n; drawAreas(); });
    return line;
}

function draw() {
    drawAreas();
    $('rules').replaceChildren(...areas.map(row));
    $('needs').replaceChildren(...needs.map(needRow));
    for (const part of form.querySelectorAll('[data-when]')) part.hidden = !part.dataset.when.split(' ').includes(course());
    $('tries-label').textContent = course() === 'stations' ? 'Shots of a test' : 'Runs of a test';
    $('how').textContent = corners ? 'Point at the corners one after the other; end at the first one.' : 'Areas are dragged by their middle and made larger by the corner.';
}

function add(area) {
    areas.push({ area, points: 1, says: ['in the area', 'near it', 'not far'][areas.length] ?? `area ${areas.length + 1}`, ball: 'cue' });
    number();
    chosen = areas.length - 1;
    draw();
}

function onTable(event) {
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.querySelector('.frame').getScreenCTM().inverse());
    return [x / scale, y / scale];
}

function pointCorner(at) {
    const near = corners.length > 2 && Math.hypot(at[0] - corners[0][0], at[1] - corners[0][1]) * scale * svg.getScreenCTM().a < GRAB;
    if (near) {
        const polygon = corners;
        corners = null;
        add({ polygon });
        return;
    }
    corners.push(at.map((v) => Math.round(v * 100) / 100));
    drawAreas();
}

svg.addEventListener('pointerdown', (event) => {
    const at = onTable(event);
    if (corners) {
        pointCorner(at);
        return;
    }
    const n = event.target.dataset?.n;
    if (n === undefined) return;
    event.preventDefault();
    chosen = +n;
    const [mx, my] = middle(areas[chosen].area);
    held = { size: event.target.classList.contains('sizer'), off: [mx - at[0], my - at[1]] };
    svg.setPointerCapture(event.pointerId);
    drawAreas();
});
svg.addEventListener('pointermove', (event) => {
    if (!held) return;
    const [x, y] = onTable(event);
    const one = areas[chosen];
    one.area = held.size ? sized(one.area, [x, y]) : moved(one.area, [x + held.off[0], y + held.off[1]]);
    drawAreas();
});
for (const end of ['pointerup', 'pointercancel']) svg.addEventListener(end, () => { held = null; });
svg.addEventListener('touchmove', (event) => { if (held) event.preventDefault(); }, { passive: false });

const WAYS = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };
svg.addEventListener('keydown', (event) => {
    const one = areas[chosen];
    if (!one) return;
    const way = WAYS[event.key];
    const grow = { '+': 1, '-': -1 }[event.key];
    if (!way && !grow) return;
    event.preventDefault();
    const by = (from, [x, y]) => [from[0] + x * NUDGE, from[1] + y * NUDGE];
    one.area = way ? moved(one.area, by(middle(one.area), way)) : sized(one.area, by(corner(one.area), [grow, grow]));
    drawAreas();
});

$('add-circle').addEventListener('click', () => add(ring(4, 2)));
$('add-band').addEventListener('click', () => add(band()));
$('add-polygon').addEventListener('click', () => { corners = []; draw(); });

function drill() {
    const { name, skill, does, watch, tries, pass, made, stay, whole, together, cutFrom, cutTo } = form.elements;
    return drillOf(start, {
        name: name.value.trim(), skill: skill.value, does: does.value.trim(), watch: watch.value.trim(),
        tries: Math.round(+tries.value) || 10, pass: Math.round(+pass.value) || 0, made: made.checked, stay: stay.checked,
        course: course(), whole: whole.checked, together: together.checked, needs, spread, cutDeg: [+cutFrom.value, +cutTo.value],
    }, areas);
}

const post = (what, document) => postJson(`${page.dataset.address}/${what}`, document);

function told({ impossible, pars, settled }) {
    if (impossible.length) return ['Nobody can score here: no stroke near the one that is meant does it. Make the areas larger, or move them on the cue ball’s way.'];
    if (!pars.length) return [settled ? '' : 'Playing it …'];
    const list = document.createElement('ul');
    list.className = 'says';
    list.append(...pars.map(({ spoken, par }) => Object.assign(document.createElement('li'), { textContent: `${spoken}: ${par.toFixed(1)}` })));
    return [`It can be done. What a test scores${settled ? '' : ' (more levels follow)'}:`, list];
}

async function check() {
    asked += 1;
    const mine = asked;
    const document = drill();
    say(null);
    $('checked').textContent = 'Playing it …';
    try {
        for (;;) {
            const found = await post('check', document);
            if (mine !== asked) return;
            $('checked').replaceChildren(...told(found));
            if (found.settled) return;
            await new Promise((done) => { setTimeout(done, AGAIN); });
        }
    } catch (problem) {
        if (mine !== asked) return;
        $('checked').textContent = '';
        say(problem.message);
    }
}

$('add-need').addEventListener('change', (event) => {
    if (event.target.value) needs.push(fresh(event.target.value));
    event.target.value = '';
    draw();
});
$('course').addEventListener('change', () => {
    // A run, or one that goes on, is long: fewer of them make a test.
    form.elements.tries.value = { stations: 10, run: 3, onward: 1 }[course()];
    form.elements.together.checked = course() === 'onward';
    draw();
});
$('spread').replaceChildren(...names.map(spreadRow));
$('check').addEventListener('click', check);
form.addEventListener('submit', async (event) => {
    event.preventDefault();
    say(null);
    try {
        const { address } = await post('keep', drill());
        location.assign(address);
    } catch (problem) {
        say(problem.message);
    }
});
draw();
