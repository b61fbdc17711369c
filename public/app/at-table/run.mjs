// A rack being shot: which shot is next, what came of those before. Plain data in, plain data out; nothing here touches the page.

/** Farther from every place that is known than this, a shot was not made for where the cue ball lies, diamonds. */
const NEAR = 1;

/** The taps that tell of a miss, and what the logbook calls it. */
const MISSES = { thick: 'thick', thin: 'thin', rattled: 'rattled', kissed: 'kissed', missed: null };

const copy = (value) => JSON.parse(JSON.stringify(value));
const distance = ([x, y], [u, v]) => Math.hypot(x - u, y - v);

/** Whether a place lies within an odd number of rings of corners. */
export const inside = (rings, place) => rings.filter((ring) => within(ring, place)).length % 2 === 1;

function within(ring, [x, y]) {
    let odd = false;
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i, i += 1) {
        const [a, b] = ring[i];
        const [c, d] = ring[j];
        if ((b > y) !== (d > y) && x < ((c - a) * (y - b)) / (d - b) + a) odd = !odd;
    }
    return odd;
}

/** The shot of a sheet that comes first: what was advised, else the plan's. */
export const firstOf = (sheet) => sheet.advice?.options[sheet.advice.choice] ?? sheet.shots[0] ?? null;

/** What can be played first, by the name of the option; "go" is the plan's own shot where no other was found. */
export function optionsOf(sheet) {
    if (!sheet.advice) return {};
    return { ...(sheet.shots[0] ? { go: sheet.shots[0] } : {}), ...sheet.advice.options };
}

/** Another option in the place of the one that was advised; it stays chosen while the plan gets better. */
export const choose = (run, option) => ({ ...run, option, shot: optionsOf(run.sheet)[option] ?? run.shot });

/** A run that begins: at is the time, key makes keys that nobody else has. */
export function begin({ rack, sheet, session, key }) {
    const shot = firstOf(sheet);
    return {
        version: 1,
        rack,
        // Which rack it is can be told by its key.
        run: `r${rack}-${key()}`,
        session,
        sheet,
        at: 0,
        shot,
        phase: shot ? 'shoot' : 'stuck',
        option: null,
        balls: shot ? shot.rack.balls : {},
        entries: [],
        undo: [],
        result: null,
        why: '',
        was: null,
        adjusting: !sheet.settled,
        said: null,
        tries: null,
        tried: [],
    };
}

/** So many steps can be taken back. */
const STEPS = 20;

const remember = ({ undo: before, ...rest }) => [...before, rest].slice(-STEPS);

/** A run as text for the device's store: a sheet that many states share is written once. */
export function pack(run) {
    const sheets = [...new Set([run, ...run.undo].map((state) => state.sheet))];
    return JSON.stringify({ sheets, run: { ...run, sheet: null }, of: [run, ...run.undo].map((state) => sheets.indexOf(state.sheet)) }, (key, value) => (key === 'sheet' ? undefined : value));
}

/** The run again; null when the text is none. */
export function unpack(text) {
    try {
        const { sheets, run, of } = JSON.parse(text);
        const undo = run.undo.map((state, n) => ({ ...state, sheet: sheets[of[n + 1]] }));
        return run.version === 1 && sheets[of[0]] ? { ...run, undo, sheet: sheets[of[0]] } : null;
    } catch {
        return null;
    }
}

/** The first tap: made, or how it was not. */
export function tell(run, how) {
    const made = how === 'made';
    const result = { made, missed: MISSES[how] ?? null, moved: {} };
    return { ...run, undo: remember(run), phase: how === 'scratched' ? 'dropped' : 'where', result };
}

/** After a scratch: whether the ball dropped all the same. */
export function dropped(run, yes) {
    const moved = yes && run.shot.ball ? { [run.shot.ball]: null } : {};
    const result = { ...run.result, moved };
    return yes || !run.shot.ball ? ended({ ...run, result }, null) : { ...run, result, phase: 'object' };
}

/** The second tap: where the cue ball stopped. A ball that was missed is asked for next. */
export function stopped(run, place) {
    const result = { ...run.result, cue: place };
    if (run.result.made) {
        const moved = run.shot.safety || !run.shot.ball ? {} : { [run.shot.ball]: null };
        return ended({ ...run, result: { ...result, moved } }, place);
    }
    return run.shot.ball ? { ...run, result, phase: 'object' } : ended({ ...run, result }, place);
}

/** What the camera saw: looked at before it counts. */
export const propose = (run, seen) => ({ ...run, undo: remember(run), phase: 'seen', seen });

/** The result as the camera saw it, once that was looked at. */
export function takeSeen(run) {
    const { made, cue, moved } = run.seen;
    const missed = made ? null : (run.result?.missed ?? null);
    return ended({ ...run, seen: null, result: { made: made && cue !== null, missed, cue, moved } }, cue);
}

/** The shot that is being played as the camera's frame is held against it. */
export const shotNow = (run, now) => attempt({ ...run, result: { made: false, missed: null, moved: {} } }, now);

/** Where a ball that was missed stopped; null when that was not noted. */
export function objectStopped(run, place) {
    const moved = place ? { [run.shot.ball]: place } : {};
    return ended({ ...run, result: { ...run.result, moved } }, run.result.cue ?? null);
}

/** The balls after a result. */
export function after(balls, result) {
    const left = { ...balls };
    if (result.cue) left.cue = result.cue;
    else delete left.cue;
    for (const [ball, place] of Object.entries(result.moved)) {
        if (place) left[ball] = place;
        else delete left[ball];
    }
    return left;
}

/** What is kept of the shot that was just played. */
function attempt(run, now) {
    const { made, missed, cue = null, moved } = run.result;
    return {
        at: now,
        run: run.run,
        session: run.session,
        rack: { ...run.shot.rack, balls: run.balls, ballInHand: false },
        meant: run.shot.meant,
        ...(run.said === null ? {} : { said: run.said }),
        plan: run.shot.plan,
        result: { made, cue, moved, missed },
    };
}

const inZone = (shot, cue) => (shot.plan.zone ? inside(shot.plan.zone, cue) : null);

/** Tries of one shot in a row. */
export const TRIES = 10;

/** The shot that is shown, ten times: after each the balls are put back. */
export const tenTries = (run) => ({ ...run, undo: remember(run), tries: [], adjusting: false });

/** How a shot is told from the other ways to play it. */
export function wayOf({ title, tip, lengths }) {
    return `${title}, ${tip?.clock ?? ''}, ${lengths ?? '–'} lengths`;
}

/** What ten tries of one way came to. */
const summed = (run, tries) => ({
    way: wayOf(run.shot),
    of: tries.length,
    made: tries.filter((one) => one.made).length,
    placed: tries.filter((one) => one.made && one.zone !== false).length,
});

function tried(run) {
    const tries = [...run.tries, { made: run.result.made, zone: run.zone }];
    const same = { ...run, balls: run.before, phase: 'shoot', adjusting: false, was: null, why: '', far: 0 };
    if (tries.length < TRIES) return { ...same, tries };
    return { ...same, tries: null, phase: 'tried', tried: [...run.tried, summed(run, tries)] };
}

/** The shot is over: it is entered, and what comes next is known or asked for. */
function ended(run, cue) {
    const { made } = run.result;
    const balls = after(run.balls, run.result);
    const zone = cue ? inZone(run.shot, cue) : false;
    const last = Object.keys(balls).every((name) => name === 'cue');
    const lost = !made && !run.shot.safety;
    const phase = last && made ? 'over' : lost || run.shot.safety ? 'turn' : 'plan';
    const was = run.shot.plan.runOut ?? null;
    const next = { ...run, option: null, result: { ...run.result, cue }, enter: true, zone, before: run.balls, after: balls, phase, was };
    if (run.tries) return tried(next);
    return phase === 'plan' && zone ? onward(next) : next;
}

/** The entry that a run has to send, and the run without it. */
export function entered(run, { now, key }) {
    if (!run.enter) return [run, null];
    const rest = { ...run, said: null };
    delete rest.enter;
    delete rest.played;
    const entry = { key: key(), edition: 1, attempt: attempt({ ...run, balls: run.before, shot: run.played ?? run.shot }, now) };
    return [{ ...rest, entries: [...run.entries, entry] }, entry];
}

/** What is known for the next shot of the plan from near a place: the plan's own, or one that was worked out beforehand. */
export function knownFrom(sheet, at, place) {
    const nominal = sheet.shots[at];
    if (!nominal) return null;
    const known = [{ shot: nominal, far: distance(nominal.rack.balls.cue, place) }];
    for (const shot of sheet.prepared?.[at] ?? []) known.push({ shot, far: distance(shot.at, place) });
    return known.sort((a, b) => a.far - b.far)[0];
}

/** On to the next shot as it was planned, from what is known nearest to where the cue ball lies. */
function onward(run) {
    // What was advised instead of the plan leads to no shot of it.
    const ofPlan = run.at > 0 || run.shot === run.sheet.shots[0];
    const known = ofPlan ? knownFrom(run.sheet, run.at + 1, run.after.cue) : null;
    if (!known) return run;
    return { ...run, played: run.shot, shot: known.shot, at: run.at + 1, balls: run.after, phase: 'shoot', adjusting: true, far: known.far, why: '' };
}

/** Without a connection: the next shot as it was planned, if anything was planned for near here. */
export function withoutPlan(run) {
    const place = run.after?.cue;
    const known = place ? knownFrom(run.sheet, run.at + 1, place) : null;
    if (!known || known.far > NEAR) return { ...run, phase: 'waits' };
    return { ...run, shot: known.shot, at: run.at + 1, balls: run.after, phase: 'shoot', adjusting: true, far: known.far, why: '' };
}

/** Whether a plan is waited for, or a better one still taken; a shot that is being told of, or tried ten times, stays as it is. */
export const takesPlan = (run) => !run.tries && (run.phase === 'plan' || run.phase === 'shoot');

/** What was worked out since for the shots after this one, as long as the plan is the same. */
export function prepared(run, sheet) {
    const meant = ({ shots }) => JSON.stringify(shots.map((one) => one.meant));
    return meant(sheet) === meant(run.sheet) ? { ...run, sheet: { ...run.sheet, prepared: sheet.prepared } } : run;
}

/** A plan from where the balls lie takes the place of the old one. */
export function planned(run, sheet) {
    if (!takesPlan(run)) return prepared(run, sheet);
    const shot = optionsOf(sheet)[run.option] ?? firstOf(sheet);
    if (!shot) return sheet.settled ? { ...run, sheet, phase: 'stuck', adjusting: false } : run;
    // On the way to the next shot its ball and pocket stay unless the plan is settled: a card that jumps about is not read.
    if (run.phase === 'shoot' && run.adjusting && !sheet.settled && !(sheet.shots[0]?.settled)) return run;
    // Which shot of the whole is not known any longer when the plan is another one.
    return { ...run, sheet, at: 0, shot, balls: shot.rack.balls, phase: 'shoot', adjusting: !sheet.settled, far: 0, why: sheet.why ?? run.why };
}

/** The same shot once more, with the balls put back. */
export function again(run) {
    return { ...run, undo: remember(run), balls: run.before ?? run.balls, phase: 'shoot', adjusting: false, result: null, why: '' };
}

/** Ends it. */
export const finish = (run) => ({ ...run, phase: 'over' });

/** Takes the last thing back: [the run, the entry that is taken back with it or null]. */
export function takeBack(run) {
    const last = run.undo.at(-1);
    if (!last) return [run, null];
    const gone = run.entries.length > last.entries.length ? run.entries.at(-1) : null;
    return [{ ...last, undo: run.undo.slice(0, -1) }, gone ? { key: gone.key, edition: gone.edition + 1, attempt: null } : null];
}

/** Another ball moved too, or one was noted wrongly: the last entry is mended. Before the first shot the balls lie otherwise than in the rack. */
export function moveBall(run, ball, place) {
    const last = run.entries.at(-1);
    const phase = run.phase === 'shoot' ? 'plan' : run.phase;
    if (!last) return [{ ...run, balls: { ...run.balls, [ball]: place }, laid: true, phase }, null];
    const result = copy(last.attempt.result);
    if (ball === 'cue') result.cue = place;
    else result.moved[ball] = place;
    const entry = { ...last, edition: last.edition + 1, attempt: { ...last.attempt, result } };
    const left = after(last.attempt.rack.balls, result);
    return [{ ...run, balls: left, after: left, entries: [...run.entries.slice(0, -1), entry], phase }, entry];
}

/** Shots made, and in position, so far. */
export function count(run) {
    const done = run.entries.map((entry) => entry.attempt);
    return { shots: done.length, made: done.filter((one) => one.result.made).length };
}
