// The run-out: a zone drawn by hand, corner by corner. Planning and its progress are the server's and htmx's.
import { onBed } from './table.mjs';

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
        const [long, wide] = [Number(table.dataset.length), Number(table.dataset.width)];
        field.value = corners.map(([x, y]) => `${(8 * x / long).toFixed(2)},${(4 * y / wide).toFixed(2)}`).join('  ');
        field.focus();
    }
    ball = null;
    corners = [];
    show();
}

export function watchPlan(toast) {
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
        corners.push([Math.max(0, Math.min(Number(table.dataset.length), x)), Math.max(0, Math.min(Number(table.dataset.width), y))]);
        show();
    });
    document.addEventListener('keydown', (event) => {
        if (ball === null || (event.key !== 'Enter' && event.key !== 'Escape')) return;
        event.preventDefault();
        event.stopImmediatePropagation();
        end(event.key === 'Enter');
    }, true);
}
