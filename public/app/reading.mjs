// Reading a table: what a ball offers on hover or focus, its zone, chances from any place. The server computes all of it.

import { wayOf } from './turn.mjs';
import { RequestQueue, askWorker } from './ask.mjs';
import { ACROSS, LONG, bedOf, clamp, diamonds, millimetres } from './units.mjs';

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

/** What a worker works out; a newer question takes the place of the one before, unless it is asked while something is dragged. */
const questions = (show, newest) => new RequestQueue((to, signal) => askWorker(to, { signal }), show, { newest, tell: (words) => toast(words) });

const fromQueue = questions((html) => { adopt(html, 'from', 'asked-lines'); sayPlace(); }, 'waits');
const reachQueue = questions((html) => adopt(html, 'reach', 'reach-words'), 'replaces');
const zoneQueue = questions((html, to) => { zones.set(to, html); if (to === wanted()) showZone(html); }, 'replaces');
const positionQueue = questions((html, to) => {
    if (to !== $('strip')?.dataset.position) return;
    const page = $('read') ? new DOMParser().parseFromString(html, 'text/html') : adopt(html, 'zone', 'position-words');
    for (const said of page.querySelectorAll('[data-leg-chance]')) {
        const box = document.querySelector(`[data-chance-of="${said.dataset.legChance}"]`);
        if (box) box.innerHTML = said.innerHTML;
    }
}, 'replaces');

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
    else zoneQueue.put(to);
}

/** Chances from the place asked for, or from the cue ball. */
function fetchFrom() {
    const read = $('read');
    const at = place ?? read?.dataset.cue?.split(' ').map(Number);
    if (read && at) fromQueue.put(address(read.dataset.from, { x: at[0], y: at[1] }));
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
    if (place) mark.setAttribute('transform', (({ x, y }) => `translate(${x} ${y})`)(millimetres({ x: place[0], y: place[1] }, bedOf(svg))));
    for (const id of ['get-there', 'drop-place']) $(id)?.toggleAttribute('hidden', !place);
}

function setPlace(x, y) {
    const room = diamonds({ x: Number($('table').dataset.reach), y: Number($('table').dataset.reach) }, bedOf($('table')));
    place = [clamp(x, room.x, LONG - room.x), clamp(y, room.y, ACROSS - room.y)].map((v) => Math.round(v * 1000) / 1000);
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
    if (position) positionQueue.put(position);
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
export function probeAt({ x, y }) {
    const read = $('read');
    if (read) fromQueue.put(address(read.dataset.from, { x, y }));
}

/** A click on the bed while reading: ask from there. */
export function askAt({ x, y }) {
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
            const at = best ? { x: best.getAttribute('cx'), y: best.getAttribute('cy') } : null;
            askAt(at ? diamonds(at, bedOf(svg)) : { x: LONG / 2, y: ACROSS / 2 });
        } else if (event.target.id === 'drop-place') {
            dropPlace();
        } else if (event.target.id === 'get-there' && place) {
            $('reach-words').textContent = 'Looking for a way …';
            reachQueue.put(address($('read').dataset.reach, { x: place[0], y: place[1] }));
        }
    });
    document.addEventListener('keydown', (event) => {
        if (event.target.id !== 'asked') {
            const ball = event.target.closest?.('.ball');
            if (ball && ['Enter', ' '].includes(event.key) && $('read')) { event.preventDefault(); lookAtBall(ball.dataset.ball); }
            return;
        }
        const way = wayOf(event.key);
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
