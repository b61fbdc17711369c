// What was pointed at, over the picture and on the small table beside it.

import { el } from '../at-table/draw.mjs';

const points = (line) => line.map((p) => p.join(',')).join(' ');

function hinted({ state, camera, wanted }, r) {
    if (state.step !== 'tips' || !camera) return [];
    const now = camera.wrong ?? wanted?.name;
    return Object.entries(camera.hints)
        .filter(([name]) => !(name in state.tips) || name === camera.wrong)
        .map(([name, [u, v]]) => el('circle', { class: name === now ? 'hinted now' : 'hinted', cx: u, cy: v, r: 1.4 * r }));
}

function pointedAt({ state, camera }, r) {
    return Object.entries(state.tips).map(([name, [u, v]]) => el('path', {
        class: camera?.wrong === name ? 'tipcross wrong' : 'tipcross', d: `M${u - r} ${v}H${u + r}M${u} ${v - r}V${v + r}`, 'data-tip': name,
    }));
}

function found({ state }, r) {
    return state.balls.flatMap((ball) => {
        const label = el('text', { class: 'seenname', x: ball.seen[0], y: ball.seen[1] - 2.2 * r, 'font-size': 1.9 * r });
        label.textContent = ball.ball || '?';
        return [el('polygon', { class: ball.ball ? 'seenball' : 'seenball unnamed', points: points(ball.outline) }), label];
    });
}

/** Over the picture: the noses' lines, where tips are expected, what was pointed at. */
export function drawOver(svg, layer, seen) {
    // A phone's picture is small: so are its marks.
    const scale = svg.getScreenCTM().a;
    const r = Math.min(9, 4 + svg.clientWidth / 160) / scale;
    const lines = (seen.camera?.lines ?? []).map((line) => el('polyline', { class: 'nose', points: points(line) }));
    svg.style.setProperty('--px', 1 / scale);
    layer.replaceChildren(...lines, ...hinted(seen, r), ...pointedAt(seen, r), ...found(seen, r));
}

function tipKind(name, { state, camera, wanted }) {
    if (name in state.tips) return camera?.wrong === name ? 'wrong' : 'done';
    if (state.step === 'tips' && wanted?.name === name) return 'now';
    return state.skipped.includes(name) ? 'skipped' : '';
}

function onMap(ball, turned) {
    const face = ball.ball
        ? el('use', { href: `#face-${ball.ball}`, transform: `scale(1.7) rotate(${-turned})` })
        : el('circle', { class: 'skin cue', r: 45 });
    return el('g', { transform: `translate(${ball.x} ${ball.y})` }, [face, el('circle', { class: 'offby', r: Math.max(ball.circle, 6) })]);
}

/** The table from above, turned the way one stood: tips that are wanted and done, balls with how far off they may be. */
export function drawMap(map, layer, seen) {
    const { turn, balls } = seen.state;
    const tips = seen.tips.map((tip) => {
        const kind = tipKind(tip.name, seen);
        return el('circle', { class: `maptip ${kind}`, cx: tip.x, cy: tip.y, r: kind === 'now' ? 75 : 32 });
    });
    layer.replaceChildren(...tips, ...balls.map((ball) => onMap(ball, turn)));
    const [l, w, m] = ['length', 'width', 'margin'].map((key) => +map.dataset[key]);
    const box = {
        0: [-m, -m, l + 2 * m, w + 2 * m],
        90: [-w - m, -m, w + 2 * m, l + 2 * m],
        180: [-l - m, -w - m, l + 2 * m, w + 2 * m],
        270: [-m, -l - m, w + 2 * m, l + 2 * m],
    };
    map.querySelector('.frame').setAttribute('transform', `rotate(${turn})`);
    map.setAttribute('viewBox', box[turn].join(' '));
    for (const text of map.querySelectorAll('.upright-text')) {
        text.setAttribute('transform', `rotate(${-turn} ${text.getAttribute('x')} ${text.getAttribute('y')})`);
    }
}
