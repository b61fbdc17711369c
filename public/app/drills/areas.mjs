// Areas of a drill while they are drawn: in diamonds, as the file has them.

import { ACROSS, LONG, clamp } from '../units.mjs';

const round = (v) => Math.round(v * 100) / 100;
const LEAST = 0.15;

export const ring = (x = 4, y = 2) => ({ circle: { at: [x, y], radius: 0.6 } });
export const band = () => ({ band: { along: [3, 5], across: [1, 3] } });

/** The middle of an area. */
export function middle({ circle, band: box, polygon }) {
    if (circle) return circle.at;
    if (box) return [(box.along[0] + box.along[1]) / 2, (box.across[0] + box.across[1]) / 2];
    return [0, 1].map((n) => polygon.reduce((sum, p) => sum + p[n], 0) / polygon.length);
}

/** Where it is taken hold of to be made larger. */
export function corner({ circle, band: box, polygon }) {
    if (circle) return [circle.at[0] + circle.radius * Math.SQRT1_2, circle.at[1] + circle.radius * Math.SQRT1_2];
    if (box) return [box.along[1], box.across[1]];
    return polygon[polygon.length - 1];
}

const within = ([x, y]) => [clamp(round(x), 0, LONG), clamp(round(y), 0, ACROSS)];

/** The same, moved so that its middle is there. */
export function moved(area, to) {
    const [x, y] = within(to);
    const [mx, my] = middle(area);
    const [dx, dy] = [x - mx, y - my];
    if (area.circle) return { circle: { at: [x, y], radius: area.circle.radius } };
    if (area.band) {
        const shift = ([from, end], by, most) => { const d = clamp(by, -from, most - end); return [round(from + d), round(end + d)]; };
        return { band: { along: shift(area.band.along, dx, LONG), across: shift(area.band.across, dy, ACROSS) } };
    }
    return { polygon: area.polygon.map(([px, py]) => within([px + dx, py + dy])) };
}

/** The same with its corner there. */
export function sized(area, to) {
    const [x, y] = within(to);
    if (area.circle) return { circle: { at: area.circle.at, radius: round(Math.max(LEAST, Math.hypot(x - area.circle.at[0], y - area.circle.at[1]))) } };
    if (area.band) {
        const { along, across } = area.band;
        return { band: { along: [along[0], round(Math.max(along[0] + LEAST, x))], across: [across[0], round(Math.max(across[0] + LEAST, y))] } };
    }
    return { polygon: [...area.polygon.slice(0, -1), [x, y]] };
}

/** Its edge. */
export function outline({ circle, band: box, polygon }) {
    if (circle) {
        const { at: [x, y], radius } = circle;
        return Array.from({ length: 48 }, (_, k) => [x + radius * Math.cos((k * Math.PI) / 24), y + radius * Math.sin((k * Math.PI) / 24)]);
    }
    if (box) return [[box.along[0], box.across[0]], [box.along[1], box.across[0]], [box.along[1], box.across[1]], [box.along[0], box.across[1]]];
    return polygon;
}

/** Conditions beside the areas, as the file has them. */
const NEEDS = {
    hidden: ({ ball, share }) => ({ hidden: ball, share }),
    moves: ({ many }) => ({ moves: many }),
    apart: ({ ball, other, far }) => ({ apart: [ball, other], far }),
};

const LONGEST = 60;
/** How near to the rails a drawn place may come, diamonds. */
const EDGE = 0.25;

/** The rules of one shot: one for each area, the one with the most points first; or all areas at once. */
function rulesOf(form, areas, common) {
    const stops = ({ area, ball }) => ({ stops: ball, in: area });
    const sorted = [...areas].sort((a, b) => b.points - a.points);
    if (!sorted.length) return [{ points: 1, says: common.includes('made') ? 'made' : 'done', needs: common.length ? common : ['made'] }];
    if (!form.together) return sorted.map((one) => ({ points: one.points, says: one.says, needs: [...common, stops(one)] }));
    const says = sorted.map((one) => one.says).join(', ').slice(0, LONGEST);
    return [{ points: sorted[0].points, says, needs: [...common, ...sorted.map(stops)] }];
}

/** Places drawn round those that the balls have; nothing where all lie as they are. */
function drawnOf(start, { spread, cutDeg }) {
    const places = {};
    for (const [name, far] of Object.entries(spread)) {
        const [x, y] = start.balls[name];
        const ends = (v, most) => [round(clamp(v - far, EDGE, most - EDGE)), round(clamp(v + far, EDGE, most - EDGE))];
        if (far > 0) places[name] = { band: { along: ends(x, LONG), across: ends(y, ACROSS) } };
    }
    return Object.keys(places).length ? { drawn: { within: places, cutDeg } } : {};
}

/** The document of a drill. */
export function drillOf(start, form, areas) {
    const run = form.course === 'run';
    const common = [
        ...(form.made || run ? ['made'] : []), ...(form.stay && !run ? ['nothing-drops'] : []),
        ...form.needs.map((need) => NEEDS[need.kind](need)),
    ];
    const first = { balls: start.balls, shot: start.shots[0]?.shot ?? null };
    // Whatever a later shot of a run does not say is as at the shot before it.
    const stations = run
        ? start.shots.map(({ title, shot }, n) => ({
            ...(n ? { shot } : first), name: title.slice(0, LONGEST), rules: rulesOf(form, areas.filter((one) => (one.shot ?? 0) === n), common),
        }))
        : [{ ...first, rules: rulesOf(form, areas, common), ...(form.course === 'stations' ? drawnOf(start, form) : {}) }];
    return {
        format: 'zig-lane/drill', version: 1, name: form.name, game: start.game, skill: form.skill, does: form.does, watch: form.watch,
        course: form.course, tries: form.tries, pass: form.pass, whole: run && form.whole, table: start.table, stations,
    };
}
