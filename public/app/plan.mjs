// The run-out: a zone drawn by hand, corner by corner, and one leg of the whole run lit at a time, on the table and on the line below
// alike. Planning and its progress are the server's and htmx's.
import { onBed } from './table.mjs';
import { bedOf, clamp, diamonds } from './units.mjs';

const $ = (id) => document.getElementById(id);

let ball = null; // whose zone is being drawn
let corners = []; // mm

function show() {
    const path = $('drawn-zone');
    if (!path) return;
    path.toggleAttribute('hidden', corners.length === 0);
    path.setAttribute('d', corners.length ? `M${corners.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}${corners.length > 2 ? 'Z' : ''}` : '');
    document.body.classList.toggle('drawing', ball !== null);
}

function end(keep) {
    const field = ball === null ? null : $(`pin-zone-${ball}`);
    const table = $('table');
    if (keep && field && table && corners.length > 2) {
        field.value = corners.map(([x, y]) => diamonds({ x, y }, bedOf(table))).map(({ x, y }) => `${x.toFixed(2)},${y.toFixed(2)}`).join('  ');
        field.focus();
    }
    ball = null;
    corners = [];
    show();
}

// The leg that something in the page is about; null for none.
function legOf(target) {
    const found = target.closest?.('#strip [data-leg], #table [data-leg]');
    return found && $('table')?.classList.contains('wholerun') ? found.dataset.leg : null;
}

function light(leg) {
    document.querySelectorAll('#table [data-leg], #strip [data-leg]').forEach((one) => one.classList.toggle('lit', one.dataset.leg === leg));
}

// The balls that a sentence is about light up on the table while it is pointed at, tapped or in focus.
function lightBalls(target) {
    const about = target.closest?.('[data-about]')?.dataset.about.split(' ') ?? [];
    document.querySelectorAll('#balls .ball').forEach((one) => one.classList.toggle('meant', about.includes(one.dataset.ball)));
}

export function watchPlan(toast) {
    for (const kind of ['pointerover', 'focusin', 'click']) document.addEventListener(kind, (event) => lightBalls(event.target));
    for (const kind of ['pointerover', 'focusin']) {
        document.addEventListener(kind, (event) => {
            const leg = legOf(event.target);
            if (leg !== null) light(leg);
        });
    }
    document.addEventListener('click', (event) => {
        const draw = event.target.closest?.('[data-draw]');
        if (draw) {
            const other = draw.dataset.draw !== ball;
            if (ball !== null) end(true);
            if (other) {
                ball = draw.dataset.draw;
                toast(`Click the corners of the zone for the ${ball} on the table; Enter or Draw again ends, Esc gives up.`);
                show();
            }
            return;
        }
        if (ball === null || !event.target.closest?.('#table')) return;
        const table = $('table');
        const { x, y } = onBed(table, event);
        const { length, width } = bedOf(table);
        corners.push([clamp(x, 0, length), clamp(y, 0, width)]);
        show();
    });
    document.addEventListener('keydown', (event) => {
        if (ball === null || (event.key !== 'Enter' && event.key !== 'Escape')) return;
        event.preventDefault();
        event.stopImmediatePropagation();
        end(event.key === 'Enter');
    }, true);
}
