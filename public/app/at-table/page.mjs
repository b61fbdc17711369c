// The page at the table: one shot a screen, two taps after it. What was noted waits on the device until the server has it.

import { headRail, onScreenChange, turn, walkOn } from '../turn.mjs';
import { JSON_TYPE } from '../post.mjs';
import { LONG } from '../units.mjs';
import { drawTable } from './draw.mjs';
import { settle, watch } from './pointing.mjs';
import { entryQueue, newKey, now, posting } from './queue.mjs';
import {
    again, begin, choose, dropped, entered, finish, firstOf, moveBall, objectStopped,
    pack, planned, prepared, propose, shotNow, stopped, takeBack, takeSeen, takesPlan, tell, tenTries, unpack, withoutPlan,
} from './run.mjs';
import { BIG, showRun } from './show.mjs';

const $ = (id) => document.getElementById(id);
const main = $('at-table');
const svg = $('runtable');
const layer = $('runlayer');
const address = main.dataset.address;
const stored = `zl-run ${main.dataset.rack}`;
const RADIUS = (+svg.dataset.radius * LONG) / +svg.dataset.length;

/** Pauses between asking for a plan, and between tries to send, ms; a session that nothing was added to for so long is over. */
const AGAIN = 400;
const TRY = 5000;
const EVENING = 6 * 3600 * 1000;

let run = null;
let asked = 0;
let arranging = false;
let online = true;

function keep() {
    try {
        if (run) localStorage.setItem(stored, pack(run));
        else localStorage.removeItem(stored);
    } catch {
        say('This device keeps nothing: do not close the page before all is sent.');
    }
}

/** The session of this evening: a new one when the last shot was long ago. */
function session() {
    let last = null;
    try {
        last = JSON.parse(localStorage.getItem('zl-session') ?? 'null');
    } catch {
        // Then it is a new one.
    }
    const fresh = last && Date.now() - last.used < EVENING && last.session.player === main.dataset.player;
    const one = fresh ? last.session : { key: newKey(), at: now(), kind: 'practice', player: main.dataset.player, place: main.dataset.place };
    try {
        localStorage.setItem('zl-session', JSON.stringify({ session: one, used: Date.now() }));
    } catch {
        // It lives as long as the page.
    }
    return one;
}

const queue = entryQueue({
    store: localStorage,
    name: 'zl-entries',
    changed: showConnection,
    post: posting(main.dataset.entries),
});

async function send() {
    const all = await queue.send();
    online = all || navigator.onLine;
    showConnection();
}

function showConnection() {
    const waiting = queue.waiting();
    const bad = queue.refused().length;
    const box = $('connection');
    box.classList.toggle('off', waiting > 0);
    box.textContent = bad > 0 ? `${bad} refused` : waiting > 0 ? `${waiting} to send` : 'all sent';
}

function say(words) {
    $('said').textContent = words;
}

/** One answer of the server's: [status, what it says]; throws without a connection. */
async function sheetOnce(body, have) {
    const answer = await fetch(`${address}/sheet?have=${have}`, body ? { method: 'POST', headers: JSON_TYPE, body: JSON.stringify(body) } : {});
    const says = /json/.test(answer.headers.get('Content-Type') ?? '') ? await answer.json() : {};
    return [answer.status, says];
}

/** Asks for a sheet until it is settled: each better one is taken as it comes, unless something else was asked for since. */
async function ask(body, take) {
    asked += 1;
    const mine = asked;
    let have = -1;
    for (;;) {
        const [status, says] = await sheetOnce(body, have).catch(() => [0, { problem: 'There is no connection.' }]);
        if (mine !== asked) return;
        if (says.shots) {
            have = says.edition;
            take(says, '');
        }
        if (status === 200) return;
        if (![202, 429, 503].includes(status)) {
            take(null, says.problem ?? 'The plan could not be made.', status === 422);
            return;
        }
        await new Promise((done) => { setTimeout(done, AGAIN); });
        if (mine !== asked) return;
    }
}

/** A plan from where the last shot left the balls, or from where they lie before the first. */
function planOn() {
    const last = run?.entries.at(-1);
    if (!last && !run?.laid) return askFirst();
    const from = last ? last.attempt : { laid: { ...run.shot.rack, balls: run.balls, ballInHand: false } };
    return ask(from, (sheet, problem, refused) => {
        if (sheet) run = planned(run, sheet);
        else if (!takesPlan(run)) return;
        else if (refused && /over/.test(problem)) run = finish(run);
        else if (run.phase === 'plan') run = refused ? { ...run, phase: 'stuck', why: problem } : withoutPlan(run);
        else run = { ...run, adjusting: false };
        keep();
        show();
    });
}

function askFirst() {
    return ask(null, (sheet, problem) => {
        if (!sheet) {
            if (!run) say(problem);
            return;
        }
        // A search that has found nothing yet goes on.
        if (!run && !firstOf(sheet) && !sheet.settled) return;
        if (!run) run = begin({ rack: main.dataset.rack, sheet, session: session(), key: newKey });
        else run = run.entries.length === 0 ? { ...planned(run, sheet), was: null } : prepared(run, sheet);
        keep();
        show();
    });
}

/** Goes on asking for what the run is waiting for, and for what is being worked out for its next shots. */
function resume() {
    if (!run || run.entries.length === 0 || run.phase === 'waits' || run.phase === 'plan' || (run.phase === 'shoot' && run.adjusting)) planOn();
}

/** Goes on with a changed run: what is to be sent is sent, what is to be planned is asked for. */
function go(next) {
    const [left, entry] = entered(next, { now: now(), key: newKey });
    run = entry ? { ...left, session: session() } : left;
    keep();
    show();
    if (entry) {
        queue.add(entry);
        send();
        resume();
    }
}

/** Shows the run as it stands. */
const show = () => showRun(main, run, arranging);

watch({
    svg,
    lens: $('lens'),
    movable: (ball) => (arranging ? ball ?? undefined : run && (run.phase === 'where' || run.phase === 'object') ? null : undefined),
    moving(place, ball) {
        if (!run) return;
        const what = ball ?? (run.phase === 'object' ? run.shot.ball : 'cue');
        const balls = { ...run.balls, ...(run.result?.cue && run.phase === 'object' ? { cue: run.result.cue } : {}), ...(place ? { [what]: place } : {}) };
        if (run.result?.made && !run.shot.safety && !arranging) delete balls[run.shot.ball];
        drawTable(layer, { shot: run.shot, balls, length: +svg.dataset.length, turned: turn(), ways: !arranging, big: BIG });
    },
    pointed(place, ball) {
        const what = ball ?? (run.phase === 'object' ? run.shot.ball : 'cue');
        const gone = run.result?.made && !run.shot.safety ? run.shot.ball : null;
        const others = Object.entries(run.phase === 'object' && run.result.cue ? { ...run.balls, cue: run.result.cue } : run.balls)
            .filter(([name]) => name !== what && (arranging || name !== gone)).map(([, at]) => at);
        const settled = settle(place, RADIUS, others);
        if (arranging) {
            const [next, entry] = moveBall(run, what, settled);
            run = next;
            if (entry) queue.add(entry);
            keep();
            show();
            return;
        }
        go(run.phase === 'where' ? stopped(run, settled) : objectStopped(run, settled));
    },
});

function undoLast() {
    const [before, entry] = takeBack(run);
    run = before;
    arranging = false;
    asked += 1;
    if (entry) {
        queue.add(entry);
        send();
    }
    keep();
    show();
    resume();
}

const acts = {
    tell: (how) => go(tell(run, how)),
    dropped: (yes) => go(dropped(run, yes === 'yes')),
    skip: () => go(objectStopped(run, null)),
    again: () => go(again(run)),
    on: () => { run = { ...run, phase: 'plan' }; keep(); show(); resume(); },
    finish: () => { run = finish(run); keep(); show(); },
    undo: undoLast,
    choose: (option) => { run = choose(run, option); keep(); show(); },
    turn: () => { walkOn(); show(); say(`Head rail ${headRail()}`); },
    camera: async () => {
        const answer = await fetch(`${main.dataset.camera}/result`, { method: 'POST', headers: JSON_TYPE, body: JSON.stringify(shotNow(run, now())) }).catch(() => null);
        const says = answer ? await answer.json().catch(() => ({})) : { problem: 'There is no connection.' };
        if (!answer?.ok) return say(says.problem ?? 'The camera could not be asked.');
        run = propose(run, says);
        keep();
        return show();
    },
    seen: () => go(takeSeen(run)),
    ten: () => { run = tenTries(run); keep(); show(); },
    other: () => { run = { ...run, phase: 'shoot' }; keep(); show(); },
    // A better plan that comes now would put the balls back.
    arrange: () => { arranging = true; asked += 1; show(); },
    arranged: () => { arranging = false; send(); show(); resume(); },
    anew: () => { run = null; keep(); asked += 1; $('title').textContent = 'Planning …'; main.dataset.phase = 'load'; resume(); },
    said: (share) => { run = { ...run, said: share === '' ? null : Number(share) }; keep(); },
};
document.addEventListener('click', (event) => {
    const button = event.target.closest('[data-act]');
    if (button && (run || button.dataset.act === 'anew')) acts[button.dataset.act]?.(button.value);
});
$('threshold').addEventListener('change', show);
$('say').addEventListener('change', (event) => { if (run) acts.said(event.target.value); });
document.addEventListener('keydown', (event) => {
    if (event.target.matches('select, input') || event.ctrlKey || event.altKey || event.metaKey) return;
    const key = { m: 'made', u: 'undo', w: 'turn' }[event.key];
    if (!key || !run) return;
    const button = $(key);
    if (button && !button.closest('[hidden]') && !button.disabled) button.click();
});

// The screen stays awake where the browser allows it.
let awake = null;
async function stayAwake() {
    try {
        awake = document.visibilityState === 'visible' ? await navigator.wakeLock?.request('screen') : null;
    } catch {
        awake = null;
    }
}
document.addEventListener('visibilitychange', () => { if (!awake || awake.released) stayAwake(); });

addEventListener('online', send);
addEventListener('offline', () => { online = false; showConnection(); });
setInterval(() => { if (queue.waiting() > 0) send(); }, TRY);
onScreenChange(show);
if ('serviceWorker' in navigator) navigator.serviceWorker.register('/table-worker.js').catch(() => {});

run = unpack(localStorage.getItem(stored));
show();
showConnection();
send();
stayAwake();
resume();
main.dataset.ready = online ? 'yes' : 'offline';
