// A drill at the table: one tap a shot. What was scored waits on the device until the server has it.

import { entryQueue, newKey, now, posting } from '../at-table/queue.mjs';
import { isUpright, onScreenChange, turn, viewBox } from '../turn.mjs';
import { begin, isOver, press, score, stationOf, undo } from './round.mjs';

const TRY = 5000;
const $ = (id) => document.getElementById(id);
const main = $('drill-go');
const { drill, step, course, rounds } = main.dataset;
const tries = JSON.parse($('tries').textContent);
const stored = `zl-drill ${drill} ${step} ${main.dataset.test}`;
const plan = { course, tries: +main.dataset.tries, stations: tries.length, whole: main.dataset.whole === '1', test: main.dataset.test === '1' };
const pass = +main.dataset.pass;

const remembered = (name) => {
    try {
        return localStorage.getItem(name) ?? '';
    } catch {
        return '';
    }
};
function remember(name, value) {
    try {
        if (value === null) localStorage.removeItem(name);
        else localStorage.setItem(name, value);
    } catch {
        $('said').textContent = 'This device keeps nothing: do not close the page before all is sent.';
    }
}

/** What was pressed, from the beginning. */
let presses = [];
try {
    const kept = JSON.parse(remembered(stored) || '[]');
    if (Array.isArray(kept)) presses = kept;
} catch { /* a new round */ }
let state = presses.reduce(press, begin(plan));

const queue = entryQueue({
    store: localStorage,
    name: 'zl-rounds',
    changed: showConnection,
    post: posting(rounds),
});

function showConnection() {
    const waiting = queue.waiting();
    $('connection').classList.toggle('off', waiting > 0);
    $('connection').textContent = waiting > 0 ? `${waiting} to send` : '';
}

function button(text, points, kind = '') {
    const made = document.createElement('button');
    made.className = `button ${kind}`;
    made.dataset.points = points;
    made.textContent = text;
    made.addEventListener('click', () => {
        presses.push(points);
        state = press(state, points);
        remember(stored, JSON.stringify(presses));
        show();
    });
    return made;
}

function buttons() {
    const { rules } = tries[stationOf(state)];
    if (course === 'onward' || course === 'further') return [button('Well done: +1', 1, 'is-primary'), button('That ends it', null)];
    const good = rules.map((rule, n) => button(`${rule.says || 'Made'}: ${rule.points}`, rule.points, n === 0 ? 'is-primary' : ''));
    if (course === 'run') return [...good, button('Made, out of the ring: 0', 0), button('Missed', null)];
    return [...good, button(plan.test ? 'Nothing: 0' : 'Not yet: again', 0)];
}

function title() {
    const { name } = tries[stationOf(state)];
    if (isOver(state)) return 'That is all of it';
    if (course === 'stations') return `${state.points.length + 1} of ${plan.tries}${name ? `: ${name}` : ''}`;
    if (course === 'run') return `${plan.tries > 1 ? `Run ${state.points.length + 1} of ${plan.tries}: ` : ''}${name || `ball ${state.good + 1}`}`;
    return `${state.good} so far`;
}

function show() {
    const over = isOver(state);
    const station = stationOf(state);
    for (const box of document.querySelectorAll('[data-station]')) box.hidden = over || +box.dataset.station !== station;
    $('title').textContent = title();
    $('score').textContent = over || course === 'onward' || course === 'further' ? '' : `${score(state) + (plan.whole ? 0 : state.running)} points${state.repeats ? `, ${state.repeats} repeated` : ''}`;
    if ($('hint')) $('hint').textContent = over ? '' : tries[station].hint;
    $('undo').disabled = !presses.length;
    $('buttons').replaceChildren(...(over ? [] : buttons()));
    $('over').hidden = !over;
    $('kept').hidden = true;
    const passed = plan.test && pass ? (score(state) >= pass ? ' Passed.' : ` Passed with ${pass}.`) : '';
    $('result').textContent = `${score(state)} points${state.repeats ? `, ${state.repeats} shots repeated` : ''}.${passed}`;
}

$('undo').addEventListener('click', () => {
    presses.pop();
    state = undo(state);
    remember(stored, presses.length ? JSON.stringify(presses) : null);
    show();
});

function anew() {
    presses = [];
    state = begin(plan);
    remember(stored, null);
    show();
}

$('anew').addEventListener('click', anew);
$('once-more').addEventListener('click', anew);
$('keep').addEventListener('click', () => {
    const [player, place] = [$('who').value.trim(), $('place').value.trim()];
    remember('zl-drill-player', player);
    remember('zl-drill-place', place);
    queue.add({ key: newKey(), edition: 1, drill, step, test: plan.test, at: now(), player, place, points: state.points, repeats: state.repeats });
    queue.send();
    presses = [];
    remember(stored, null);
    $('over').hidden = true;
    $('kept').hidden = false;
    $('undo').disabled = true;
    $('said').textContent = 'Kept.';
});

$('who').value = main.dataset.for || remembered('zl-drill-player') || ($('players').options[0]?.value ?? '');
$('place').value = remembered('zl-drill-place') || ($('tables').options[0]?.value ?? '');
/** The table stands upright on a phone. */
function dress() {
    for (const svg of document.querySelectorAll('[data-station] .lane-table')) {
        const [length, width, margin] = ['length', 'width', 'margin'].map((key) => +svg.dataset[key]);
        svg.classList.toggle('upright', isUpright());
        svg.setAttribute('viewBox', viewBox({ length, width, margin }));
        svg.querySelector('.frame').setAttribute('transform', `rotate(${turn()})`);
        for (const ball of svg.querySelectorAll('.mini')) {
            ball.setAttribute('transform', `${ball.getAttribute('transform').replace(/ rotate\(.*/, '')} rotate(${-turn()})`);
        }
    }
}

onScreenChange(dress);
dress();
addEventListener('online', () => queue.send());
setInterval(() => { if (queue.waiting()) queue.send(); }, TRY);
if ('serviceWorker' in navigator) navigator.serviceWorker.register('/table-worker.js').catch(() => {});
showConnection();
queue.send();
show();
