// node --test tests/Modules
import assert from 'node:assert/strict';
import { test } from 'node:test';
import {
    after, again, begin, choose, count, dropped, entered, inside, knownFrom, moveBall, objectStopped, optionsOf, pack, planned, stopped, takeBack,
    TRIES, propose, shotNow, takeSeen, tell, tenTries, unpack, withoutPlan,
} from '../../public/app/at-table/run.mjs';

const zone = [[[3, 0], [5, 0], [5, 2], [3, 2]], [[3.2, 1.6], [3.4, 1.6], [3.4, 1.8], [3.2, 1.8]]];
const shot = (ball, cue, runOut) => ({
    title: `${ball} → foot left`, ball, safety: false, meant: { ball, pocket: 'foot-left', speed: { lengths: 2 } }, plan: { pot: 0.9, runOut, zone },
    rack: { game: 'nine-ball', balls: { cue, 1: [6, 1], 2: [7, 3] } },
});
const sheet = (changes = {}) => ({
    edition: 1, settled: true, shots: [shot('1', [2, 2], 0.5), { ...shot('2', [4, 1], 0.7), rack: { game: 'nine-ball', balls: { cue: [4, 1], 2: [7, 3] } } }],
    prepared: { 1: [{ ...shot('2', [4.8, 1.8], 0.6), at: [4.8, 1.8] }] }, advice: null, ...changes,
});
let keys = 0;
const key = () => `key-${(keys += 1).toString().padStart(6, '0')}`;
const start = (changes) => begin({ rack: '7', sheet: sheet(changes), session: { key: 'session-1' }, key });
const enter = (run) => entered(run, { now: '2026-11-26T15:00:00Z', key });

test('a place is inside a ring or not', () => {
    assert.equal(inside(zone, [4, 1]), true);
    assert.equal(inside(zone, [5.1, 1]), false);
    assert.equal(inside(zone, [3.3, 1.7]), false, 'a hole');
});

test('made and in the zone is on to the next shot in two taps', () => {
    const [run, entry] = enter(stopped(tell(start(), 'made'), [4.2, 1.1]));
    assert.equal(run.phase, 'shoot');
    assert.equal(run.shot.ball, '2');
    assert.deepEqual(run.balls, { cue: [4.2, 1.1], 2: [7, 3] });
    assert.deepEqual(entry.attempt.result, { made: true, cue: [4.2, 1.1], moved: { 1: null }, missed: null });
    assert.equal(entry.attempt.meant.ball, '1');
    assert.deepEqual(entry.attempt.rack.balls, { cue: [2, 2], 1: [6, 1], 2: [7, 3] });
    assert.equal(entry.attempt.rack.ballInHand, false);
});

test('the next shot is the one that was worked out nearest to where the cue ball lies', () => {
    const [run] = enter(stopped(tell(start(), 'made'), [4.9, 1.9]));
    assert.equal(run.shot.plan.runOut, 0.6);
    assert.ok(Math.abs(run.far - Math.hypot(0.1, 0.1)) < 1e-9);
    assert.equal(knownFrom(sheet(), 5, [1, 1]), null);
});

test('out of the zone a plan is waited for, and without a connection the old one does if it is near', () => {
    const [run] = enter(stopped(tell(start(), 'made'), [5.4, 1]));
    assert.equal(run.phase, 'plan');
    assert.equal(run.was, 0.5);
    const far = enter(stopped(tell(start(), 'made'), [7.5, 3.5]))[0];
    assert.equal(withoutPlan(far).phase, 'waits');
    assert.equal(withoutPlan({ ...run, after: { ...run.after, cue: [5.2, 1.8] } }).shot.plan.runOut, 0.6);
    const fresh = planned(run, { ...sheet(), shots: [shot('2', [5.4, 1], 0.3)], why: 'The cue ball stopped long.' });
    assert.deepEqual([fresh.phase, fresh.at, fresh.why, fresh.shot.plan.runOut], ['shoot', 0, 'The cue ball stopped long.', 0.3]);
});

test('a miss asks where the ball stopped, and ends the turn', () => {
    const asked = stopped(tell(start(), 'thin'), [3, 3]);
    assert.equal(asked.phase, 'object');
    const [run, entry] = enter(objectStopped(asked, [7.5, 0.5]));
    assert.equal(run.phase, 'turn');
    assert.deepEqual(entry.attempt.result, { made: false, cue: [3, 3], moved: { 1: [7.5, 0.5] }, missed: 'thin' });
    const once = again(run);
    assert.deepEqual([once.phase, once.balls], ['shoot', { cue: [2, 2], 1: [6, 1], 2: [7, 3] }]);
    assert.deepEqual(enter(objectStopped(asked, null))[1].attempt.result.moved, {});
});

test('a scratch has no stop; the ball may have dropped', () => {
    const [run, entry] = enter(dropped(tell(start(), 'scratched'), true));
    assert.equal(run.phase, 'turn');
    assert.deepEqual(entry.attempt.result, { made: false, cue: null, moved: { 1: null }, missed: null });
    assert.equal(dropped(tell(start(), 'scratched'), false).phase, 'object');
});

test('the last ball ends the rack', () => {
    const one = { ...shot('9', [2, 2], 0.8), rack: { game: 'nine-ball', balls: { cue: [2, 2], 9: [6, 1] } } };
    const [run] = enter(stopped(tell(start({ shots: [one] }), 'made'), [3, 3]));
    assert.equal(run.phase, 'over');
    assert.deepEqual(count(run), { shots: 1, made: 1 });
});

test('undo takes back the tap, then the entry', () => {
    const first = start();
    assert.equal(takeBack(first)[1], null);
    const [tapped, none] = takeBack(tell(first, 'made'));
    assert.deepEqual([tapped.phase, none], ['shoot', null]);
    const [run, entry] = enter(stopped(tell(first, 'made'), [4, 1]));
    const [back, gone] = takeBack(run);
    assert.deepEqual(gone, { key: entry.key, edition: 2, attempt: null });
    assert.deepEqual([back.phase, back.shot.ball, back.entries.length], ['shoot', '1', 0]);
});

test('another ball that moved mends the last entry', () => {
    const [run] = enter(stopped(tell(start(), 'made'), [4, 1]));
    const [mended, entry] = moveBall(run, '2', [6.5, 2.5]);
    assert.equal(entry.edition, 2);
    assert.deepEqual(entry.attempt.result.moved, { 1: null, 2: [6.5, 2.5] });
    assert.deepEqual([mended.phase, mended.balls], ['plan', { cue: [4, 1], 2: [6.5, 2.5] }]);
    assert.equal(moveBall(start(), '2', [6, 2])[1], null);
});

test('a safety that was advised comes first, and the plan can be chosen instead', () => {
    const safety = { ...shot('1', [2, 2]), ball: null, safety: true, plan: {}, meant: { aimDeg: 10 } };
    const run = start({ advice: { choice: 'safe', headline: '', says: [], options: { safe: safety } } });
    assert.equal(run.shot.safety, true);
    assert.deepEqual(Object.keys(optionsOf(run.sheet)), ['go', 'safe']);
    assert.equal(choose(run, 'go').shot.ball, '1');
    const [over, entry] = enter(stopped(tell(run, 'made'), [1, 1]));
    assert.deepEqual([over.phase, entry.attempt.result.moved], ['turn', {}]);
});

test('a search that has found nothing yet is waited for', () => {
    const run = enter(stopped(tell(start(), 'made'), [6, 3]))[0];
    assert.equal(planned(run, { shots: [], settled: false, advice: null }), run);
    assert.equal(planned(run, { shots: [], settled: true, advice: null }).phase, 'stuck');
});

test('a shot that is being told of stays when a better plan comes', () => {
    const better = { ...sheet(), shots: [shot('2', [2, 2], 0.6)] };
    const told = tell(start({ settled: false }), 'thin');
    const asked = stopped(told, [3, 3]);
    const over = enter(objectStopped(asked, [7.5, 0.5]))[0];
    const seen = propose(told, { made: true, cue: [4, 1], moved: {}, doubts: [] });
    const scratched = tell(start({ settled: false }), 'scratched');
    const trying = tenTries(start({ settled: false }));
    for (const run of [told, asked, over, seen, scratched, trying]) assert.equal(planned(run, better), run, run.phase);
    assert.equal(planned(takeBack(told)[0], better).shot.ball, '2', 'taken back, it is planned on');
});

test('what is worked out for the next shots is taken as long as the plan is the same', () => {
    const told = tell(start({ prepared: {} }), 'made');
    assert.deepEqual(planned(told, sheet()).sheet.prepared, sheet().prepared);
    assert.deepEqual(planned(told, { ...sheet(), shots: [shot('1', [2, 2], 0.5)] }).sheet.prepared, {});
});

test('what was chosen stays chosen while the plan gets better, for that shot', () => {
    const safe = { ...shot('2', [2, 2], 0.1), safety: true };
    const advice = { choice: 'go', options: { go: shot('1', [2, 2], 0.5), safe } };
    const chosen = choose(start({ settled: false, advice }), 'safe');
    assert.equal(planned(chosen, sheet({ advice })).shot.safety, true);
    const next = enter(stopped(tell(choose(chosen, 'go'), 'made'), [6, 3]))[0];
    assert.equal(planned(next, sheet({ advice })).shot.ball, '1');
    assert.equal(enter(stopped(tell(chosen, 'made'), [6, 3]))[0].option, null);
});

test('balls that are moved before the first shot are planned from where they lie', () => {
    const [run, entry] = moveBall(start(), '1', [5, 1]);
    assert.equal(entry, null);
    assert.deepEqual([run.phase, run.laid, run.balls['1']], ['plan', true, [5, 1]]);
    const laid = shot('1', [2, 2], 0.4);
    assert.equal(planned(run, sheet({ shots: [{ ...laid, rack: { ...laid.rack, balls: run.balls } }] })).balls['1'][0], 5);
    assert.equal(moveBall(tell(start(), 'made'), '2', [5, 1])[0].phase, 'where');
});

test('kept on the device and read again it is the same run', () => {
    const run = tell(enter(stopped(tell(start(), 'made'), [4, 1]))[0], 'made');
    const text = pack(run);
    assert.deepEqual(unpack(text), run);
    assert.equal(text.split('"prepared"').length, 2, 'one sheet is written once');
    assert.equal(unpack('nonsense'), null);
    assert.equal(unpack(null), null);
});

test('a shot is tried ten times, and what that comes to is kept beside other ways', () => {
    let run = tenTries(start());
    for (let n = 0; n < TRIES; n += 1) {
        assert.equal(run.phase, 'shoot');
        const told = tell(run, n < 7 ? 'made' : 'thick');
        const done = n < 7 ? stopped(told, n < 5 ? [4, 1] : [6, 3]) : objectStopped(stopped(told, [3, 3]), null);
        run = enter(done)[0];
        assert.deepEqual(run.balls, { cue: [2, 2], 1: [6, 1], 2: [7, 3] });
    }
    assert.equal(run.phase, 'tried');
    assert.deepEqual([run.tries, run.tried.map(({ of, made, placed }) => [of, made, placed])], [null, [[10, 7, 5]]]);
    assert.equal(run.entries.length, 10);
});

test('what the camera saw is looked at before it counts', () => {
    const seen = propose(start(), { made: true, cue: [4.2, 1.1], moved: { 1: null }, doubts: [] });
    assert.equal(seen.phase, 'seen');
    assert.equal(takeBack(seen)[0].phase, 'shoot');
    const [run, entry] = enter(takeSeen(seen));
    assert.deepEqual([run.shot.ball, entry.attempt.result], ['2', { made: true, cue: [4.2, 1.1], moved: { 1: null }, missed: null }]);
    assert.equal(enter(takeSeen(propose(start(), { made: true, cue: null, moved: { 1: null }, doubts: [] })))[1].attempt.result.made, false);
    assert.equal(shotNow(start(), 'now').result.made, false);
});

test('the balls after a result', () => assert.deepEqual(after({ cue: [1, 1], 1: [2, 2], 2: [3, 3] }, { cue: null, moved: { 1: null, 2: [4, 4] } }), { 2: [4, 4] }));
