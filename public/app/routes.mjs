// Alternatives for a leg: lists that get better, paths shown on hover or side by side, the spread of places.

import { RequestQueue, askWorker, trouble } from './ask.mjs';

const $ = (id) => document.getElementById(id);
const NS = 'http://www.w3.org/2000/svg';

let toast = () => {};
const compared = new Set();

function styles() {
    return JSON.parse(localStorage.getItem('style') ?? '[]');
}

/** The lists of alternatives, as they get better. */
const search = new RequestQueue(
    (address, signal) => {
        let shown = '';
        const fresh = (text) => { if (text !== shown && !signal.aborted) { shown = text; show(text); } };
        return askWorker(address, { signal, progress: fresh });
    },
    show,
    {
        newest: 'replaces',
        tell: (words) => { toast(words); if (!document.querySelector('[data-route]')) $('routes')?.replaceChildren(); },
        idle: () => {
            busy(false);
            const state = $('route-state');
            if (state?.textContent.startsWith('Looking')) state.textContent = state.textContent.replace('Looking further', 'Stopped');
        },
    },
);

function find() {
    const part = $('alternatives');
    if (!part) return;
    compared.clear();
    busy(true);
    $('routes').innerHTML = '<p class="hint">Playing the first strokes …</p>';
    const address = new URL(part.dataset.routes, location.href);
    address.searchParams.set('style', styles().join(' '));
    search.drop();
    busy(true);
    search.put(address.href);
}

function busy(on) {
    $('stop-routes')?.toggleAttribute('hidden', !on);
    $('find-routes')?.toggleAttribute('disabled', on);
}

function show(html) {
    const box = $('routes');
    if (!box) return;
    const focused = document.activeElement?.id;
    box.innerHTML = html;
    htmx.process(box);
    for (const check of box.querySelectorAll('[data-compare]')) check.checked = compared.has(check.dataset.compare);
    if (focused?.startsWith('route-')) $(focused)?.focus();
    draw();
}

/** The routes that are compared, and the one under the pointer or in focus. */
function draw(hovered = null) {
    const layer = $('alternative-ways');
    if (!layer) return;
    layer.replaceChildren();
    for (const item of document.querySelectorAll('[data-route]')) {
        const letter = item.dataset.route;
        if (!compared.has(letter) && letter !== hovered) continue;
        const group = document.createElementNS(NS, 'g');
        group.setAttribute('class', `alternative way-${letter}${letter === hovered ? ' now' : ''}`);
        const add = (name, values) => {
            const element = document.createElementNS(NS, name);
            for (const [key, value] of Object.entries(values)) element.setAttribute(key, value);
            group.append(element);
            return element;
        };
        add('path', { class: 'altball', d: item.dataset.ballpath });
        add('path', { class: 'altway', d: item.dataset.path });
        const [x, y] = (item.dataset.stop ?? '').split(' ');
        if (y) {
            add('circle', { cx: x, cy: y, r: $('table').dataset.radius });
            add('text', { class: 'upright-text', x, y, dy: 12 }).textContent = letter;
        }
        layer.append(group);
    }
    $('stage')?.classList.toggle('comparing', layer.childElementCount > 0);
    document.dispatchEvent(new CustomEvent('zl:dressed'));
}

async function spread() {
    const button = $('show-spread');
    const on = button.getAttribute('aria-pressed') !== 'true';
    button.setAttribute('aria-pressed', on);
    if (!on) { $('spread')?.replaceChildren(); $('spread-words').textContent = ''; return; }
    $('spread-words').textContent = 'Playing every stroke …';
    try {
        const page = new DOMParser().parseFromString(await askWorker($('alternatives').dataset.spread), 'text/html');
        $('spread')?.replaceWith(document.adoptNode(page.getElementById('spread')));
        $('spread-words').textContent = page.getElementById('spread-words').textContent;
    } catch (error) {
        $('spread-words').textContent = '';
        toast(trouble(error));
    }
}

/** A place of the spread becomes the leg's stroke. */
function take(place) {
    const form = $('leg-form');
    if (!form) return;
    form.elements.side.value = place.dataset.side;
    form.elements.height.value = place.dataset.height;
    form.elements.lengths.value = place.dataset.lengths;
    form.elements.offset.value = 0;
    form.requestSubmit();
}

let before = '';

function dress() {
    const part = $('alternatives');
    const now = part ? `${location.pathname} ${part.dataset.leg} ${part.dataset.version}` : '';
    if (now !== before) {
        // Another leg, or a changed one: what was found is about something else.
        before = now;
        search.drop();
        compared.clear();
        $('routes')?.replaceChildren();
        $('spread')?.replaceChildren();
        $('show-spread')?.setAttribute('aria-pressed', 'false');
        if ($('spread-words')) $('spread-words').textContent = '';
        busy(false);
    }
    for (const box of document.querySelectorAll('[data-style]')) box.checked = styles().includes(box.dataset.style);
    draw();
}

export function watchRoutes(say) {
    toast = say;
    document.addEventListener('htmx:afterSettle', dress);
    dress();
    document.addEventListener('click', (event) => {
        const id = event.target.id;
        if (id === 'find-routes') find();
        else if (id === 'stop-routes') search.drop();
        else if (id === 'show-spread') spread();
        else if (event.target.matches?.('#spread .place')) take(event.target);
    });
    document.addEventListener('change', (event) => {
        const { compare, style } = event.target.dataset ?? {};
        if (compare) {
            if (event.target.checked) compared.add(compare); else compared.delete(compare);
            draw();
        } else if (style) {
            localStorage.setItem('style', JSON.stringify([...document.querySelectorAll('[data-style]:checked')].map((box) => box.dataset.style)));
        }
    });
    for (const name of ['pointerover', 'focusin']) {
        document.addEventListener(name, (event) => {
            const place = event.target.closest?.('#spread .place');
            for (const line of document.querySelectorAll('#spread .ladder')) line.classList.toggle('lit', place !== null && place !== undefined && line.dataset.tip === `${place.dataset.side} ${place.dataset.height}`);
            if (document.querySelector('[data-route]')) draw(event.target.closest?.('[data-route]')?.dataset.route ?? null);
        });
    }
}
