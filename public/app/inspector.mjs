// The inspector: the tip's face, and showing what a value would do before it is let go.

import { RequestQueue, Refused } from './ask.mjs';

const form = () => document.getElementById('leg-form');
const field = (name) => document.getElementById(name);

/** Asks what the leg would do with the form as it stands. */
async function tried(f, signal) {
    const answer = await fetch(f.dataset.try, { method: 'POST', body: new URLSearchParams(new FormData(f)), signal });
    const text = await answer.text();
    if (!answer.ok) throw new Refused(answer.status === 422 ? text : 'That could not be tried.');

    return text;
}

let queue = null;
let keyed = null; // the tip moved by keys is sent when it comes to rest

function tryOut() {
    if (form()) queue.put(form());
}

function show(html) {
    const page = new DOMParser().parseFromString(html, 'text/html');
    for (const id of ['stage', 'strip', 'readout']) {
        const fresh = page.getElementById(id);
        const old = document.getElementById(id);
        if (fresh && old) {
            const scroll = old.querySelector('ol')?.scrollLeft;
            old.replaceWith(document.adoptNode(fresh));
            htmx.process(fresh);
            if (scroll !== undefined) fresh.querySelector('ol').scrollLeft = scroll;
        }
    }
    const told = document.getElementById('readout')?.dataset;
    if (told) {
        field('speed-out').textContent = told.speed;
        field('tip-clock').textContent = told.clock;
        field('elevation-out').textContent = told.raised;
    }
    document.dispatchEvent(new CustomEvent('zl:redrawn'));
}

function commit() {
    clearTimeout(keyed);
    keyed = null;
    queue.drop();
    form()?.requestSubmit();
}

/** Sends what has been moved by keys and still waits. */
export function finish() {
    if (keyed !== null) commit();
}

/** Brings a tip inside the miscue limit and shows it. */
function setTip(side, height) {
    const far = Math.hypot(side, height);
    const limit = Number(field('tip').dataset.limit); // ball radii
    if (far > limit) { side *= limit / far; height *= limit / far; }
    side = Math.trunc(side * 100 + Math.sign(side) * 1e-6) / 100;
    height = Math.trunc(height * 100 + Math.sign(height) * 1e-6) / 100;
    field('tip-side').value = side;
    field('tip-height').value = height;
    markTip(side, height);
}

function markTip(side, height) {
    field('tip-mark').setAttribute('transform', `translate(${side * 100} ${-height * 100})`);
    const { radius, limit } = field('tip').dataset;
    field('tip-mm').textContent = `${(Math.hypot(side, height) * radius).toFixed(1)} of ${(limit * radius).toFixed(1)} mm`;
}

export function watchInspector(toast) {
    queue = new RequestQueue(tried, show, { tell: toast });
    let dragging = null;

    const follow = (event) => {
        const box = dragging.getBoundingClientRect();
        const unit = box.width / 2.2; // the face's radius on the screen
        setTip((event.clientX - box.left - box.width / 2) / unit, -(event.clientY - box.top - box.height / 2) / unit);
        tryOut();
    };
    document.addEventListener('pointerdown', (event) => {
        const face = event.target.closest?.('#tip');
        if (!face || event.button !== 0) return;
        event.preventDefault();
        dragging = face;
        face.focus();
        face.setPointerCapture(event.pointerId);
        follow(event);
    });
    document.addEventListener('pointermove', (event) => { if (dragging) follow(event); });
    for (const name of ['pointerup', 'pointercancel']) {
        document.addEventListener(name, () => { if (dragging) { dragging = null; commit(); } });
    }
    document.addEventListener('keydown', (event) => {
        if (event.target.id !== 'tip') return;
        const way = { ArrowUp: [0, 1], ArrowDown: [0, -1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] }[event.key];
        if (!way) return;
        event.preventDefault();
        const step = event.shiftKey ? 0.01 : 0.05;
        setTip(Number(field('tip-side').value) + way[0] * step, Number(field('tip-height').value) + way[1] * step);
        tryOut();
        clearTimeout(keyed);
        keyed = setTimeout(commit, 500);
    });
    document.addEventListener('click', (event) => {
        if (event.target.id === 'tip-centre') { setTip(0, 0); commit(); }
    });
    document.addEventListener('input', (event) => {
        if (event.target.form?.id !== 'leg-form') return;
        if (event.target.id === 'offset') {
            const v = Number(event.target.value);
            field('offset-out').textContent = v === 0 ? 'middle' : `${v < 0 ? 'left' : 'right'} ${Math.round(Math.abs(v) * 100)} %`;
        }
        if (event.target.type === 'range') tryOut();
    });
    document.addEventListener('change', (event) => {
        if (event.target.form?.id === 'leg-form') commit();
    });
}
