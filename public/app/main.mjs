// Wires the page: shortcuts, what is redrawn, errors. All computing is the server's.
import { watchTable, redress } from './table.mjs';
import { finish, watchInspector } from './inspector.mjs';
import { watchReading } from './reading.mjs';
import { watchRoutes } from './routes.mjs';
import { watchPlan } from './plan.mjs';
import { watchPlayback, togglePlay } from './playback.mjs';
import { actionOf, printKeys } from './keys.mjs';

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

// What is sent when it changes is not sent once more by Enter: two changes at once would be in each other's way.
document.addEventListener('submit', (event) => { if (event.target.getAttribute('hx-trigger') === 'change') event.preventDefault(); });
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
// A redraw that failed halfway leaves elements that answer no more: the page is loaded again.
for (const name of ['htmx:swapError', 'htmx:onLoadError']) document.addEventListener(name, () => location.reload());
document.addEventListener('htmx:sendError', () => toast('Zig Lane does not answer. Is it still running? What you saved is safe.'));

// Going elsewhere waits for a change that is under way: its answer would come late and show the old place again.
const changes = new Set();
let goOn = null;
const underWay = () => [...changes].some((xhr) => xhr.readyState !== XMLHttpRequest.UNSENT && xhr.readyState !== XMLHttpRequest.DONE);
document.addEventListener('htmx:confirm', (event) => {
    const { verb, target, elt, issueRequest } = event.detail;
    if (verb !== 'get' || target?.id !== 'workspace' || elt.id.startsWith('ask-')) return;
    finish();
    if (!underWay()) return;
    event.preventDefault();
    goOn = () => issueRequest(true);
});
document.addEventListener('htmx:beforeSend', (event) => {
    if (event.detail.requestConfig.verb === 'post' && event.detail.target?.id === 'workspace') changes.add(event.detail.xhr);
});
document.addEventListener('htmx:afterRequest', (event) => {
    changes.delete(event.detail.xhr);
    if (!goOn || underWay()) return;
    const send = goOn;
    goOn = null;
    send();
});

const typing = (element) => element.matches?.('input:not([type=range]):not([type=radio]):not([type=checkbox]), textarea, select');

const actions = {
    before: () => go(-1),
    after: () => go(1),
    layout: () => $('#card-0')?.click(),
    ask: () => $('#ask-place')?.click(),
    read: () => ($('#read') ? $('#mode-plan') : $('#mode-read'))?.click(),
    routes: () => $('#find-routes')?.click(),
    runOut: () => ($('#plan') ? $('#mode-plan') : $('#mode-run'))?.click(),
    plan: () => ($('#plan-run') ?? $('#plan-now'))?.click(),
    takePlan: () => $('#take-plan')?.click(),
    stopPlan: () => $('#stop-plan')?.click(),
    next: () => $('#add-leg')?.click(),
    pocket: (event) => document.querySelector(`input[name=pocket][data-key="${event.key}"]`)?.click(),
    play: togglePlay,
    tip: () => $('#tip')?.focus(),
    speed: () => $('#lengths')?.focus(),
    undo: () => $('#undo-button')?.click(),
    redo: () => $('#redo-button')?.click(),
    remove: (event) => removeLeg(event.target.closest?.('[data-leg]')),
    walk: () => $('#turn-table')?.click(),
    help: () => help.showModal(),
};

function removeLeg(card) {
    if (!card) return;
    const form = $('#place');
    form.elements.op.value = 'remove-leg';
    form.elements.number.value = card.dataset.leg;
    form.requestSubmit();
}

function go(by) {
    const here = Number($('#workspace')?.dataset.chosen ?? 0);
    $(`#card-${here + by}`)?.click();
}

document.addEventListener('keydown', (event) => {
    const action = actions[actionOf(event)];
    if (!action || help.open || typing(event.target)) return;
    event.preventDefault();
    action(event);
});
printKeys(help.querySelector('.keys'));
