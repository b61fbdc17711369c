// Wires the page: shortcuts, what is redrawn, errors. All computing is the server's.
import { watchTable, redress } from './table.mjs';
import { watchInspector } from './inspector.mjs';
import { watchReading } from './reading.mjs';
import { watchRoutes } from './routes.mjs';
import { watchPlan } from './plan.mjs';
import { watchPlayback, togglePlay } from './playback.mjs';

const $ = (selector) => document.querySelector(selector);
const help = $('#help');

export function toast(words) {
    const box = $('#toast');
    box.textContent = words;
    box.hidden = false;
    clearTimeout(toast.timer);
    toast.timer = setTimeout(() => { box.hidden = true; }, 6000);
}

watchTable();
watchInspector(toast);
watchPlayback();
redress();
watchReading(toast);
watchRoutes(toast);
watchPlan(toast);

document.addEventListener('click', (event) => {
    if (event.target.closest('[data-help]')) help.showModal();
});
for (const name of ['htmx:afterSwap', 'zl:redrawn']) document.addEventListener(name, redress);
document.addEventListener('htmx:responseError', (event) => {
    if (event.detail.xhr.status === 429) return toast('Too much is asked for at this moment; try again in a few seconds.');
    // While a part is away, what was only asked for is asked for again; a change is left to the person.
    if (event.detail.xhr.status === 503 && event.detail.requestConfig?.verb === 'get') {
        toast('Zig Lane is coming back; trying again …');
        const { elt } = event.detail;
        setTimeout(() => { if (elt.isConnected) htmx.ajax('GET', event.detail.pathInfo.finalRequestPath, { source: elt }); }, 1500);
        return undefined;
    }
    return toast(event.detail.xhr.status >= 500 ? 'The server could not do that. Nothing saved is lost; try again.' : 'That was refused.');
});
document.addEventListener('htmx:sendError', () => toast('Zig Lane does not answer. Is it still running? What you saved is safe.'));

const typing = (element) => element.matches?.('input:not([type=range]):not([type=radio]):not([type=checkbox]), textarea, select');

const steps = {
    '[': () => go(-1),
    ']': () => go(1),
    l: () => $('#card-0')?.click(),
    a: () => $('#ask-place')?.click(),
    v: () => ($('#read') ? $('#mode-plan') : $('#mode-read'))?.click(),
    f: () => $('#find-routes')?.click(),
    o: () => ($('#plan') ? $('#mode-plan') : $('#mode-run'))?.click(),
    g: () => $('#plan-run')?.click(),
    k: () => $('#take-plan')?.click(),
    x: () => $('#stop-plan')?.click(),
    n: () => $('#add-leg')?.click(),
    p: togglePlay,
    t: () => $('#tip')?.focus(),
    s: () => $('#lengths')?.focus(),
    u: () => $('#undo-button')?.click(),
    r: () => $('#redo-button')?.click(),
    '?': () => help.showModal(),
};

function go(by) {
    const here = Number($('#workspace')?.dataset.chosen ?? 0);
    $(`#card-${here + by}`)?.click();
}

document.addEventListener('keydown', (event) => {
    if (help.open || event.altKey) return;
    const key = event.key;
    if (event.ctrlKey || event.metaKey) {
        if (key.toLowerCase() === 'z' && !typing(event.target)) {
            event.preventDefault();
            $(event.shiftKey ? '#redo-button' : '#undo-button')?.click();
        }
        return;
    }
    if (typing(event.target)) return;
    if (/^[1-6]$/.test(key)) {
        const radio = document.querySelector(`input[name=pocket][data-key="${key}"]`);
        if (radio) { radio.click(); event.preventDefault(); }
        return;
    }
    if (key === 'Delete') {
        const card = event.target.closest?.('[data-leg]');
        if (card) {
            event.preventDefault();
            const form = $('#place');
            form.elements.op.value = 'remove-leg';
            form.elements.number.value = card.dataset.leg;
            form.requestSubmit();
        }
        return;
    }
    if (steps[key]) {
        event.preventDefault();
        steps[key]();
    }
});
