// Asks for the next rack to choose at; beside an answer it is made ready meanwhile.

import { dressTable } from './dress.mjs';
import { askUntilThere } from './waiting.mjs';

const $ = (id) => document.getElementById(id);
const wish = $('wish');

/** What is asked for: by the form, or as the last time. */
function wished(kind) {
    const before = $('wished');
    if (before) return { ...JSON.parse(before.textContent), kind };
    const form = Object.fromEntries(new FormData(wish));
    return { ...form, balls: Number(form.balls), kind };
}

const looked = (n) => (n ? `Looking for one near your level: ${n} looked at …` : 'Looking for one near your level …');

/** A form keeps what was chosen last. */
function remembered() {
    try {
        const kept = JSON.parse(localStorage.getItem('zl-wish') ?? '{}');
        for (const select of wish.querySelectorAll('select')) {
            if ([...select.options].some((option) => option.value === kept[select.name])) select.value = kept[select.name];
        }
    } catch { /* as the page has it */ }
}

function remember(what) {
    try {
        localStorage.setItem('zl-wish', JSON.stringify({ ...what, balls: String(what.balls) }));
    } catch { /* then it is chosen again */ }
}

async function next(kind) {
    const buttons = document.querySelectorAll('[data-kind]');
    for (const button of buttons) button.disabled = true;
    $('said').textContent = looked(0);
    try {
        const asked = wished(kind);
        remember(asked);
        const { address } = await askUntilThere(wish.dataset.next, asked, (so) => { $('said').textContent = looked(so.looked); });
        location.assign(address);
    } catch (error) {
        $('said').textContent = error.message;
        for (const button of buttons) button.disabled = false;
    }
}

for (const button of document.querySelectorAll('[data-kind]')) button.addEventListener('click', () => next(button.dataset.kind));
if (wish.tagName === 'FORM') {
    remembered();
    wish.addEventListener('submit', (event) => event.preventDefault());
}
if ($('choice-table')) dressTable();
// While the answer is read, the next one is looked for.
if (wish.dataset.ahead) {
    askUntilThere(wish.dataset.next, { ...wished($('next').dataset.kind), ahead: true }, () => {}).catch(() => {});
}
