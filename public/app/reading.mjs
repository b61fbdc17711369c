// Reading a table: what a ball offers on hover or focus, its zone, chances from any place. The server computes all of it.

import { askWorker, Refused } from './ask.mjs';

const $ = (id) => document.getElementById(id);
const STEP = 0.125; // diamonds
const FINE = 0.02;
const WAIT = 220; // ms over a ball until its zone is fetched

const zones = new Map(); // answers by address, until the rack changes
let state = ''; // of the rack that they belong to
let hover = null;
let timer = null;
let place = null; // diamonds, when another place than the cue ball's is asked from
let toast = () => {};

/** One question at a time: a newer one takes the place of the one before, whose work is left. */
function line(show) {
    let running = null;
    return async (address) => {
        if (running?.address === address) return;
        running?.stop.abort();
        const mine = running = { address, stop: new AbortController() };
        try {
            show(await askWorker(address, { signal: mine.stop.signal }), address);
        } catch (error) {
            if (error instanceof Refused) toast(error.message);
            else if (error.name !== 'AbortError') toast('Zig Lane does not answer. Is it still running? What you saved is safe.');
        } finally {
            if (running === mine) running = null;
        }
    };
}

/** Quick questions while something is dragged: one at a time, the newest waits, those between are dropped. */
function quick(show) {
    let running = false;
    let next = null;
    const ask = async (address) => {
        if (running) { next = address; return; }
        running = true;
        try {
            show(await askWorker(address), address);
        } catch (error) {
            toast(error instanceof Refused ? error.message : 'Zig Lane does not answer. Is it still running? What you saved is safe.');
        } finally {
            running = false;
            if (next) { const address = next; next = null; ask(address); }
        }
    };
    return ask;
}

/** Puts parts of an answer where parts of the same name are. */
function adopt(html, ...names) {
    const page = new DOMParser().parseFromString(html, 'text/html');
    for (const name of names) {
        const fresh = page.getElementById(name);
        const old = $(name);
        if (fresh && old) old.replaceWith(document.adoptNode(fresh));
    }
    document.dispatchEvent(new CustomEvent('zl:dressed'));
    return page;
}

const askFrom = quick((html) => { adopt(html, 'from', 'asked-lines'); sayPlace(); });
const askReach = line((html) => adopt(html, 'reach', 'reach-words'));
const askZone = line((html, address) => { zones.set(address, html); if (address === wanted()) showZone(html); });
const askPosition = line((html, address) => {
    if (address !== $('strip')?.dataset.position) return;
    const page = $('read') ? new DOMParser().parseFromString(html, 'text/html') : adopt(html, 'zone', 'position-words');
    for (const said of page.querySelectorAll('[data-leg-chance]')) {
        const to = document.querySelector(`[data-chance-of="${said.dataset.legChance}"]`);
        if (to) to.innerHTML = said.innerHTML;
    }
});

function address(base, values) {
    const to = new URL(base, location.href);
    for (const [key, value] of Object.entries(values)) to.searchParams.set(key, value);
    return to.href;
}

/** The ball that is shown now: the one under the pointer or in focus, else the one looked at. */
const shown = () => hover ?? $('read')?.dataset.ball ?? null;

function wanted() {
    const read = $('read');
    const ball = shown();
    if (!read || !ball) return null;
    const pocket = ball === read.dataset.ball ? read.dataset.pocket : bestPocket(ball);
    return pocket ? address(read.dataset.zone, { ball, pocket, chance: $('zone-chance')?.value ?? 75, v: state }) : null;
}

function bestPocket(ball) {
    return document.querySelector(`[data-row="${ball}"]`)?.dataset.best || null;
}

function showZone(html) {
    adopt(html, 'zone');
    const words = new DOMParser().parseFromString(html, 'text/html').getElementById('zone-words');
    if (shown() === $('read')?.dataset.ball && $('zone-words')) $('zone-words').replaceWith(document.adoptNode(words));
}

function lookAt(ball) {
    hover = ball;
    for (const part of document.querySelectorAll('[data-ways], [data-row]')) {
        part.classList.toggle('hovered', ball !== null && (part.dataset.ways ?? part.dataset.row) === ball);
    }
    $('table')?.classList.toggle('looking', shown() !== null);
    clearTimeout(timer);
    timer = setTimeout(fetchZone, ball === null ? 60 : WAIT);
}

function fetchZone() {
    const to = wanted();
    if (!to) { $('zone')?.replaceChildren(); return; }
    if (zones.has(to)) showZone(zones.get(to));
    else askZone(to);
}

/** Chances from the place asked for, or from the cue ball. */
function fetchFrom() {
    const read = $('read');
    const at = place ?? read?.dataset.cue?.split(' ').map(Number);
    if (read && at) askFrom(address(read.dataset.from, { x: at[0], y: at[1] }));
}

function sayPlace() {
    const from = $('from');
    if (from) $('from-title').textContent = place ? `From ${from.dataset.at}` : 'From the cue ball';
}

function dressPlace() {
    const mark = $('asked');
    const svg = $('table');
    if (!mark || !svg) return;
    mark.toggleAttribute('hidden', !place);
    if (place) mark.setAttribute('transform', `translate(${place[0] / 8 * svg.dataset.length} ${place[1] / 4 * svg.dataset.width})`);
    for (const id of ['get-there', 'drop-place']) $(id)?.toggleAttribute('hidden', !place);
}

function setPlace(x, y) {
    const { length, width, reach } = $('table').dataset;
    const rx = reach / length * 8;
    const ry = reach / width * 4;
    place = [Math.min(8 - rx, Math.max(rx, x)), Math.min(4 - ry, Math.max(ry, y))].map((v) => Math.round(v * 1000) / 1000);
    $('reach')?.replaceChildren();
    if ($('reach-words')) $('reach-words').textContent = '';
    dressPlace();
    fetchFrom();
}

function dropPlace() {
    place = null;
    $('reach')?.replaceChildren();
    if ($('reach-words')) $('reach-words').textContent = '';
    dressPlace();
    fetchFrom();
}

function dressLayers() {
    const off = JSON.parse(localStorage.getItem('layers-off') ?? '["shades"]');
    for (const box of document.querySelectorAll('[data-layer]')) {
        box.checked = !off.includes(box.dataset.layer);
        $('stage').classList.toggle(`no-${box.dataset.layer}`, !box.checked);
    }
}

/** After every redraw of the page. */
function dress() {
    const read = $('read');
    const position = $('strip')?.dataset.position;
    if (position) askPosition(position);
    if (!read) {
        place = null;
        return;
    }
    if (read.dataset.state !== state) { zones.clear(); state = read.dataset.state; }
    dressLayers();
    dressPlace();
    lookAt(hover);
    fetchFrom();
}

/** Asked by the table while the cue ball is dragged: chances from where it is held. */
export function probeAt(x, y) {
    const read = $('read');
    if (read) askFrom(address(read.dataset.from, { x, y }));
}

/** A click on the bed while reading: ask from there. */
export function askAt(x, y) {
    if (!$('read')) return false;
    setPlace(x, y);
    $('asked').focus({ preventScroll: true });
    return true;
}

export function lookAtBall(name) {
    if ($('read')) $(`look-${name}`)?.click();
}

export function watchReading(say) {
    toast = say;
    for (const name of ['htmx:afterSettle', 'zl:redrawn']) document.addEventListener(name, dress);
    dress();

    const ballOf = (element) => {
        const ball = element.closest?.('.ball')?.dataset.ball ?? element.closest?.('[data-row]')?.dataset.row;
        return ball && ball !== 'cue' ? ball : null;
    };
    for (const name of ['pointerover', 'focusin']) {
        document.addEventListener(name, (event) => {
            if (!$('read') || event.pointerType === 'touch') return;
            const ball = ballOf(event.target);
            if (ball !== hover) lookAt(ball);
        });
    }
    document.addEventListener('change', (event) => {
        if (event.target.dataset?.layer) {
            const off = [...document.querySelectorAll('[data-layer]:not(:checked)')].map((box) => box.dataset.layer);
            localStorage.setItem('layers-off', JSON.stringify(off));
            dressLayers();
        } else if (event.target.id === 'zone-chance') {
            fetchZone();
        }
    });
    document.addEventListener('click', (event) => {
        if (event.target.id === 'ask-place') {
            const best = document.querySelector('#zone .best circle');
            const svg = $('table');
            askAt(best ? best.getAttribute('cx') / svg.dataset.length * 8 : 4, best ? best.getAttribute('cy') / svg.dataset.width * 4 : 2);
        } else if (event.target.id === 'drop-place') {
            dropPlace();
        } else if (event.target.id === 'get-there' && place) {
            $('reach-words').textContent = 'Looking for a way …';
            askReach(address($('read').dataset.reach, { x: place[0], y: place[1] }));
        }
    });
    document.addEventListener('keydown', (event) => {
        if (event.target.id !== 'asked') {
            const ball = event.target.closest?.('.ball');
            if (ball && ['Enter', ' '].includes(event.key) && $('read')) { event.preventDefault(); lookAtBall(ball.dataset.ball); }
            return;
        }
        const upright = $('table').classList.contains('upright');
        const ways = upright
            ? { ArrowUp: [1, 0], ArrowDown: [-1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }
            : { ArrowUp: [0, -1], ArrowDown: [0, 1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] };
        const way = ways[event.key];
        if (way) {
            event.preventDefault();
            const step = event.shiftKey ? FINE : STEP;
            setPlace(place[0] + way[0] * step, place[1] + way[1] * step);
        } else if (event.key === 'Escape') {
            dropPlace();
        } else if (event.key === 'Enter') {
            $('get-there')?.click();
        }
    });
}
