// The balls that were found: which each is, where it lies, what it may touch.

import { diamonds } from '../units.mjs';

const called = (name) => (name === 'cue' ? 'cue ball' : name);
const made = (tag, values, children = []) => {
    const element = Object.assign(document.createElement(tag), values);
    element.append(...children);
    return element;
};

function which(ball, n, names, changed) {
    const choice = (value, textContent) => made('option', { value, textContent, selected: value === ball.ball });
    const select = made('select', { id: `ball-${n}`, ariaLabel: 'Which ball it is' }, [choice('', 'which?'), ...names.map((name) => choice(name, called(name)))]);
    select.addEventListener('change', () => { ball.ball = select.value; changed(); });
    return made('span', { className: 'select is-small' }, [select]);
}

function tick(id, text, checked, set) {
    const box = made('input', { type: 'checkbox', id, checked });
    box.addEventListener('change', () => set(box.checked));
    return made('label', {}, [box, ` ${text}`]);
}

function touching(ball, n, balls, changed) {
    const rails = ball.rails.map((rail) => tick(`rail-${n}-${rail}`, `frozen to the ${rail} rail`, ball.rail === rail, (yes) => {
        ball.rail = yes ? rail : undefined;
        changed();
    }));
    const others = ball.near.filter((other) => balls[other]?.ball).map((other) => tick(
        `touches-${n}-${other}`, `touches the ${called(balls[other].ball)}`, ball.touches === other,
        (yes) => { ball.touches = yes ? other : undefined; changed(); },
    ));
    return [...rails, ...others];
}

/** A row for each ball. */
export function drawList(list, { balls, names, bed, changed, gone }) {
    const named = balls.map((ball) => ball.ball);
    list.replaceChildren(...balls.map((ball, n) => {
        const { x, y } = diamonds(ball, bed);
        const away = made('button', { type: 'button', className: 'button is-small is-ghost', textContent: '×', title: 'Take it out' });
        away.addEventListener('click', () => gone(n));
        const twice = ball.ball && named.indexOf(ball.ball) !== n ? [made('b', { className: 'twice', textContent: 'there is one already' })] : [];
        const where = made('span', { textContent: `${x.toFixed(2)}, ${y.toFixed(2)} ± ${(ball.circle / 10).toFixed(1)} cm` });
        return made('li', {}, [which(ball, n, names, changed), where, away, ...twice, ...touching(ball, n, balls, changed)]);
    }));
}

/** The balls as the server takes them over. */
export const toTake = (balls, bed) => balls.map((ball) => {
    const { x, y } = diamonds(ball, bed);
    const other = balls[ball.touches]?.ball;
    return { ball: ball.ball, at: [x, y], ...(ball.rail && { rail: ball.rail }), ...(other && { touches: other }) };
});

/** What is to be done before they can be taken over, or what taking them does; and whether it can be done. */
export function ready(balls) {
    const named = balls.map((ball) => ball.ball);
    const open = named.filter((name) => !name).length;
    if (open) return [open === 1 ? 'Say which one it is' : `Say which ${open} of them are`, false];
    if (!named.includes('cue')) return ['Point at the cue ball, too', false];
    if (new Set(named).size < named.length) return ['One ball is there twice', false];
    return [`Put ${named.length === 1 ? 'this ball' : `these ${named.length} balls`} on the table`, true];
}
