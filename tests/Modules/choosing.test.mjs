import assert from 'node:assert/strict';
import { test } from 'node:test';
import { answerOf, begin, pickBall, pickPocket, pickSpot, step, undo, unordered, wholeOrder } from '../../public/app/choices/choosing.mjs';

const FREE = { now: ['2', '5', '7'], own: ['2', '5', '7'], last: '8' };

test('where one ball alone is on, the pocket is asked for first', () => {
    let state = begin({ now: ['6'], own: [], last: null });
    assert.equal(step(state), 'pocket');
    state = pickPocket(state, 'foot-left');
    assert.equal(step(state), 'spot');
    state = pickSpot(state, [4, 2]);
    assert.equal(step(state), 'stroke');
    assert.deepEqual(answerOf(state, { side: 0.1, height: -0.2, lengths: 2 }), {
        shot: { ball: '6', pocket: 'foot-left', speed: { lengths: 2 }, tip: { side: 0.1, height: -0.2 } }, spot: [4, 2], order: [],
    });
});

test('where the order is free it is asked for, and the last ball left follows by itself', () => {
    let state = begin(FREE);
    assert.equal(step(state), 'ball');
    assert.equal(pickBall(state, '8'), state, 'the eight is not on yet');
    state = pickPocket(pickBall(state, '5'), 'side-left');
    assert.equal(step(state), 'order');
    assert.deepEqual(unordered(state), ['2', '7']);
    assert.equal(pickBall(state, '5'), state, 'it is gone by then');
    state = pickBall(state, '7');
    assert.equal(step(state), 'spot');
    assert.deepEqual(wholeOrder(state), ['5', '7', '2', '8']);
});

test('each step can be taken back, and a spot is moved without a step', () => {
    const asked = begin(FREE);
    const ball = pickBall(asked, '2');
    const pocket = pickPocket(ball, 'head-left');
    assert.equal(undo(pocket), ball);
    assert.equal(undo(undo(pocket)), asked);
    assert.equal(undo(asked), asked);
    const spot = pickSpot(pickBall(pocket, '5'), [1, 1]);
    const moved = pickSpot(spot, [2, 2]);
    assert.deepEqual(moved.spot, [2, 2]);
    assert.equal(undo(moved), undo(spot));
});

test('the eight alone needs no order', () => {
    const state = pickPocket(pickBall(begin({ now: ['8'], own: [], last: '8' }), '8'), 'head-left');
    assert.equal(step(state), 'spot');
    assert.deepEqual(wholeOrder(state), ['8']);
});
