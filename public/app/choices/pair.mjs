// Two ways to play a shot: one is named.

import { postJson } from '../post.mjs';
import { dressTable } from './dress.mjs';

const main = document.getElementById('choice');
const said = document.getElementById('said');
const ways = [...document.querySelectorAll('[data-named]')];

for (const way of ways) {
    const drawn = document.querySelector(`[data-way="${way.dataset.named}"]`);
    const light = (on) => drawn.parentElement.classList.toggle(`only-${way.dataset.named}`, on);
    for (const [event, on] of [['pointerenter', true], ['focus', true], ['pointerleave', false], ['blur', false]]) way.addEventListener(event, () => light(on));
    way.addEventListener('click', async () => {
        for (const each of ways) each.disabled = true;
        try {
            const { address } = await postJson(main.dataset.answer, { named: Number(way.dataset.named) });
            location.assign(address);
        } catch (error) {
            said.textContent = error.message;
            for (const each of ways) each.disabled = false;
        }
    });
}
dressTable();
