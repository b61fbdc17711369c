// A magnifier over the rack's table while a ball is dragged by a finger, which hides what is under it.

import { put } from './above.mjs';
import { turn } from './turn.mjs';

const SIZE = 120;
const SVG = 'http://www.w3.org/2000/svg';

/** Opens over a table's drawing; show() and close(). */
export function openLens(svg, name) {
    const glass = document.createElement('div');
    glass.className = 'lens';
    const inner = document.createElementNS(SVG, 'svg');
    inner.setAttribute('class', svg.getAttribute('class'));
    inner.setAttribute('viewBox', '-90 -90 180 180');
    inner.setAttribute('aria-hidden', 'true');
    const copy = svg.querySelector('#frame').cloneNode(true);
    for (const element of [copy, ...copy.querySelectorAll('[id]')]) element.removeAttribute('id');
    const ball = copy.querySelector(`.ball[data-ball="${name}"]`);
    inner.append(copy);
    glass.append(inner);
    svg.parentElement.append(glass);
    return {
        show(event, x, y) {
            put(glass, event, svg.parentElement.getBoundingClientRect(), SIZE);
            copy.setAttribute('transform', `rotate(${turn()}) translate(${-x} ${-y})`);
            ball?.setAttribute('transform', `translate(${x} ${y})`);
        },
        close() {
            glass.remove();
        },
    };
}
