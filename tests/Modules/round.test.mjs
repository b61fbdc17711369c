import assert from 'node:assert/strict';
import { test } from 'node:test';
import { begin, isOver, press, score, stationOf, undo } from '../../public/app/drills/round.mjs';

const play = (drill, presses) => presses.reduce((state, points) => press(state, points), begin(drill));

test('a test counts each shot once, station after station', () => {
    const state = play({ course: 'stations', tries: 4, stations: 3, test: true }, [2, 0, 1]);
    assert.equal(stationOf(state), 0);
    assert.equal(isOver(state), false);
    const over = press(state, 1);
    assert.deepEqual([isOver(over), score(over), over.repeats], [true, 4, 0]);
    assert.equal(press(over, 5), over);
});

test('in training a shot is repeated until it works', () => {
    const state = play({ course: 'stations', tries: 2, stations: 2, test: false }, [0, 0, 1]);
    assert.deepEqual([state.repeats, stationOf(state), score(state)], [2, 1, 1]);
});

test('a run goes on ball after ball until a miss; only a whole one may count', () => {
    const drill = { course: 'run', tries: 2, stations: 3, test: true };
    const state = play(drill, [1, 0, null, 1, 1, 1]);
    assert.deepEqual([isOver(state), state.points], [true, [1, 3]]);
    assert.equal(stationOf(play(drill, [1, 0])), 2);
    assert.deepEqual(play({ ...drill, whole: true }, [1, 1, null, 1, 1, 1]).points, [0, 1]);
});

test('what goes on is counted until it ends', () => {
    const state = play({ course: 'onward', tries: 1, stations: 2, test: true }, [1, 1, 1]);
    assert.equal(state.good, 3);
    assert.deepEqual(press(state, null).points, [3]);
});

test('every press can be undone', () => {
    const drill = { course: 'run', tries: 1, stations: 3, test: true };
    const two = play(drill, [1, 1]);
    assert.deepEqual(undo(press(two, null)), two);
    assert.equal(undo(begin(drill)).points.length, 0);
});
