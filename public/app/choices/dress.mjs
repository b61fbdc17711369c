// The table to choose at stands upright on a phone, its balls the right way up.

import { redress } from '../at-table/pointing.mjs';
import { onScreenChange, turn } from '../turn.mjs';

export function dressTable() {
    const svg = document.getElementById('choice-table');
    const dress = () => {
        const label = svg.getAttribute('aria-label');
        redress(svg);
        svg.setAttribute('aria-label', label);
        for (const ball of svg.querySelectorAll('.mini')) {
            ball.setAttribute('transform', `${ball.getAttribute('transform').replace(/ rotate\(.*/, '')} rotate(${-turn()})`);
        }
    };
    onScreenChange(dress);
    dress();
}
