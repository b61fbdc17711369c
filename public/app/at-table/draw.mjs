// Draws a shot on the table, its aim card, and the view from behind the cue ball.

const NS = 'http://www.w3.org/2000/svg';

/** An SVG element. */
export function el(name, attributes = {}, children = []) {
    const made = document.createElementNS(NS, name);
    for (const [key, value] of Object.entries(attributes)) made.setAttribute(key, value);
    made.append(...children);
    return made;
}

/** Millimetres of a place in diamonds, on a table so long. */
export const millimetres = ([x, y], length) => [(x * length) / 8, (y * length) / 8];

const face = (name, x, y, scale = 1, turned = 0) => {
    const use = el('use', { href: `#face-${name}`, transform: `translate(${x} ${y}) scale(${scale}) rotate(${turned})` });
    return el('g', { class: 'ball', 'data-ball': name, 'data-x': x, 'data-y': y }, [use]);
};

/** The table: balls where they lie, and the shot. */
export function drawTable(layer, { shot, balls, length, turned, ways = true, big = 1 }) {
    const parts = [];
    if (ways && shot) {
        if (shot.zone) parts.push(el('path', { class: 'runzone', d: shot.zone }));
        if (shot.heart) parts.push(el('path', { class: 'runheart', d: shot.heart }));
        const leg = el('g', { class: 'leg lc1' });
        leg.append(el('path', { class: 'cueway', d: shot.cueWay }), el('path', { class: 'cueway rolls', d: shot.cueRoll }));
        for (const way of shot.ballWays) leg.append(el('path', { class: 'ballway', d: way }));
        if (shot.ghost) leg.append(el('circle', { class: 'ghost', cx: shot.ghost.x, cy: shot.ghost.y, r: 28.6 }));
        if (shot.rest) leg.append(el('circle', { class: 'rest', cx: shot.rest.x, cy: shot.rest.y, r: 34 }));
        parts.push(leg);
    }
    for (const [name, place] of Object.entries(balls)) {
        const [x, y] = millimetres(place, length);
        parts.push(face(name, x.toFixed(1), y.toFixed(1), big, -turned));
    }
    layer.replaceChildren(...parts);
}

/** Where the tip strikes. */
export function drawTip(svg, tip) {
    svg.setAttribute('aria-label', `Tip: ${tip.clock}`);
    svg.replaceChildren(
        el('circle', { class: 'face', r: 100 }), el('circle', { class: 'limit', r: 50 }), el('path', { class: 'cross', d: 'M-100 0H100M0 -100V100' }),
        el('circle', { class: 'hitspot', cx: tip.side * 100, cy: -tip.height * 100, r: 21.9 }),
    );
}

/** How much of the ball the cue ball covers, seen along the cue. */
export function drawCover(svg, widths) {
    svg.replaceChildren(
        el('circle', { class: 'target', r: 28.575 }), el('circle', { class: 'cover', cx: widths * 57.15, r: 28.575 }),
        el('path', { class: 'aimline', d: `M${widths * 57.15} -34V34` }),
    );
}

/** What one sees who gets down behind the cue ball. */
export function drawBehind(svg, behind, shot) {
    const [x0, y0, width, height] = behind.box;
    svg.setAttribute('viewBox', behind.box.join(' '));
    svg.style.setProperty('--line', width / 180);
    const parts = [el('rect', { class: 'cloth', x: x0 - width, y: y0, width: 3 * width, height: 2 * height })];
    for (const line of behind.rails) parts.push(el('polyline', { class: 'noses', points: line.map((p) => p.join(',')).join(' ') }));
    if (behind.mouth) {
        const [[x, y], [u, v]] = behind.mouth;
        parts.push(el('path', { class: 'mouth', d: `M${x} ${y}L${u} ${v}` }));
        parts.push(el('circle', { class: 'tipmark', cx: x, cy: y, r: 0.06 }), el('circle', { class: 'tipmark', cx: u, cy: v, r: 0.06 }));
    }
    for (const ball of behind.balls) {
        if (ball.ball === 'cue' && behind.ghost) {
            parts.push(el('circle', { class: 'ghost', cx: behind.ghost.x, cy: behind.ghost.y, r: behind.ghost.r }));
            parts.push(el('path', { class: 'sight', d: `M${behind.ghost.x} ${behind.ghost.y}L${ball.x} ${ball.y}` }));
        }
        parts.push(el('g', { transform: `translate(${ball.x} ${ball.y}) scale(${ball.r / 28.575})` }, [el('use', { href: `#face-${ball.ball}` })]));
        if (ball.ball === 'cue') {
            parts.push(el('circle', { class: 'hitspot', cx: ball.x + shot.tip.side * ball.r, cy: ball.y - shot.tip.height * ball.r, r: 0.22 * ball.r }));
        }
    }
    svg.replaceChildren(...parts);
}
