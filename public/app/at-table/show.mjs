// Shows a run on the page at the table: the shot, its card, and what to tap next.

import { turn } from '../turn.mjs';
import { drawBehind, drawCover, drawTable, drawTip } from './draw.mjs';
import { redress } from './pointing.mjs';
import { TRIES, after, count, optionsOf } from './run.mjs';

/** Balls are drawn larger than they are: a phone's table is small. */
export const BIG = 1.25;

/** A shot that was planned for a place farther off than this says so, diamonds. */
const OFF = 0.15;

/** A cue that is raised by more than this is told of, degrees. */
const RAISED = 8;

/** A shot is being planned, played or told of. */
const UNDER_WAY = ['plan', 'shoot', 'where', 'object', 'dropped'];

const $ = (id) => document.getElementById(id);
const percent = (share) => (share < 0.005 ? '< 1 %' : `${Math.round(100 * share)} %`);
const capital = (text) => text[0].toUpperCase() + text.slice(1);

const TITLES = {
    where: () => 'Where did the cue ball stop?',
    object: (run) => `Where did the ${run.shot.ball} stop?`,
    dropped: (run) => `Scratched. Did the ${run.shot.ball} drop?`,
    plan: () => 'Planning from here …',
    waits: () => 'No connection, and nothing was planned for near here.',
    turn: (run) => (run.shot.safety ? 'The other player shoots.' : 'Your turn is over.'),
    seen: (run) => `The camera: ${run.seen.made ? 'made' : 'not made'}${run.seen.cue ? '' : ', no cue ball'}. Is that so?`,
    stuck: () => 'No shot is left to plan.',
    tried: (run) => `Ten tries: ${run.tried.at(-1).placed} made and in position.`,
    over(run) {
        const { shots, made } = count(run);
        return `${isRunOut(run) ? 'Run out: ' : ''}${made} of ${shots} made.`;
    },
    shoot: (run) => (run.shot.safety ? 'Safety' : run.shot.title),
};

function isRunOut(run) {
    const last = run.entries.at(-1)?.attempt;
    return last?.result.made && Object.keys(after(last.rack.balls, last.result)).every((name) => name === 'cue');
}

/** What the player must know beside the shot itself. */
function told(run) {
    if (run.phase === 'seen') return run.seen.doubts.join(' ');
    if (run.phase !== 'shoot') return run.phase === 'plan' ? '' : run.why;
    const parts = [];
    const chance = run.shot.plan.runOut;
    if (run.why) parts.push(run.why);
    if (run.why && run.was !== null && chance !== undefined) parts.push(`Was ${percent(run.was)}, now ${percent(chance)} to run out.`);
    if (run.adjusting) parts.push(run.far > 0 ? 'As planned; being worked out for where it lies …' : 'Still searching …');
    else if (run.far > OFF) parts.push(`Planned for a cue ball ${run.far.toFixed(1)} diamonds from here.`);
    return parts.join(' ');
}

const numberOf = ({ tries, entries, phase }) => (tries ? `Try ${tries.length + 1} of ${TRIES}` : `Shot ${entries.length + (UNDER_WAY.includes(phase) ? 1 : 0)}`);

const chanceOf = ({ phase, shot }) => (phase === 'shoot' && shot.plan.runOut !== undefined ? `${percent(shot.plan.runOut)} out` : '');

function ballsShown(run) {
    const { phase, shot, result } = run;
    if (phase === 'seen') return after(run.balls, run.seen);
    const balls = { ...(phase === 'shoot' || phase === 'where' || phase === 'object' || !run.after ? run.balls : run.after) };
    if (phase === 'where' && result.made && !shot.safety) delete balls[shot.ball];
    if (phase === 'object' && result.cue) balls.cue = result.cue;
    return balls;
}

/** The run as it stands; while balls are arranged, nothing but them. */
export function showRun(main, run, arranging) {
    main.dataset.phase = run?.phase ?? 'load';
    if (!run) return;
    const { shot, phase } = run;
    const svg = $('runtable');
    const pointing = arranging || phase === 'where' || phase === 'object';
    main.classList.toggle('pointing', pointing);
    redress(svg);
    drawTable($('runlayer'), {
        shot, balls: ballsShown(run), length: +svg.dataset.length, turned: turn(), ways: !arranging && (phase === 'shoot' || pointing), big: BIG,
    });
    $('title').textContent = arranging ? 'Drag what lies elsewhere.' : TITLES[phase](run);
    $('told').textContent = told(run);
    $('number').textContent = numberOf(run);
    showTried(run);
    $('chance').textContent = chanceOf(run);
    if (shot) showCard(shot, run);
    for (const part of document.querySelectorAll('[data-in]')) {
        part.hidden = arranging ? part.dataset.in !== 'arrange' : !part.dataset.in.split(' ').includes(phase);
    }
    $('miss').hidden ||= shot?.safety;
    $('undo').disabled = run.undo.length === 0;
    $('arrange').hidden = !shot;
    $('camera').hidden = main.dataset.camera === '';
    $('ten').hidden = phase !== 'shoot' || run.tries !== null;
    $('log').hidden = run.entries.length === 0;
    $('log').href = `${main.dataset.runs}/${run.run}`;
}

function showCard(shot, run) {
    const { aim, plan } = shot;
    showOptions(run);
    drawTip($('tip'), shot.tip);
    $('clock').textContent = shot.tip.clock;
    $('speed').textContent = shot.lengths === null ? '–' : shot.lengths.toFixed(1);
    $('pace').textContent = shot.pace ?? '';
    $('raised').textContent = shot.raised > RAISED ? `cue raised ${shot.raised}°` : '';
    $('pot').textContent = plan.pot === undefined ? '–' : percent(plan.pot);
    const position = shot.position ?? null;
    $('position').textContent = position === null ? '' : percent(position);
    $('positions').hidden = position === null;
    $('cover').toggleAttribute('hidden', aim.widths === undefined);
    if (aim.widths !== undefined) drawCover($('cover'), aim.widths);
    $('cut').textContent = aim.cut ?? '';
    $('behind').toggleAttribute('hidden', !aim.behind);
    if (aim.behind) drawBehind($('behind'), aim.behind, shot);
    $('made').textContent = shot.safety ? 'Legal' : 'Made';
    $('missed').textContent = shot.safety ? 'Foul' : 'Missed';
    $('lines').replaceChildren(...linesOf(shot, run).map((line) => Object.assign(document.createElement('li'), { textContent: capital(line) })));
}

/** What ten tries of each way came to, beside the share from which one goes. */
function showTried({ phase, tried }) {
    const enough = Number($('threshold').value);
    $('tried').replaceChildren(...(phase === 'tried' ? tried : []).map(({ way, of, made, placed }) => {
        const words = `${way}: ${made} of ${of} made, ${placed} and in position; ${placed / of >= enough ? 'go' : 'too few to go'}`;
        return Object.assign(document.createElement('li'), { textContent: words });
    }));
}

const OPTIONS = { go: 'Go', safe: 'Play safe', 'two-way': 'Two-way' };

/** Where it was weighed whether to go: the other ways to play it. */
function showOptions({ at, sheet, shot }) {
    const others = at > 0 ? [] : Object.entries(optionsOf(sheet)).filter(([, one]) => JSON.stringify(one.meant) !== JSON.stringify(shot.meant));
    $('options').replaceChildren(...others.map(([option]) => {
        const button = Object.assign(document.createElement('button'), { className: 'button', value: option, textContent: `${OPTIONS[option]} instead` });
        button.dataset.act = 'choose';
        return button;
    }));
}

/** The card in sentences: the aim, the first rail, the way, what to look out for. */
function linesOf(shot, { at, sheet }) {
    const { aim } = shot;
    const lines = at === 0 && sheet.advice ? [sheet.advice.headline, ...sheet.advice.says] : [];
    if (aim.line) lines.push(aim.line);
    lines.push(...Object.entries(aim.facts).map(([name, fact]) => `${name}: ${fact}`));
    if (aim.rail) lines.push(`First rail of the cue ball: ${aim.rail}`);
    return [...lines, ...(shot.route ? [shot.route] : []), ...aim.faults, ...(shot.why ?? [])].filter((line) => line !== '');
}
