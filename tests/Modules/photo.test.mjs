import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ready, toTake } from '../../public/app/photo/list.mjs';

const BED = { length: 2540, width: 1270 };
const ball = (name, more = {}) => ({ ball: name, x: 635, y: 317.5, near: [], rails: [], ...more });

test('balls go to the server in diamonds, with what they were said to touch', () => {
    const balls = [ball('cue'), ball('3', { rail: 'left', touches: 0 }), ball('4', { touches: 7 })];
    assert.deepEqual(toTake(balls, BED), [
        { ball: 'cue', at: [2, 1] }, { ball: '3', at: [2, 1], rail: 'left', touches: 'cue' }, { ball: '4', at: [2, 1] },
    ]);
});

test('nothing is taken while a ball has no number, one is there twice, or the cue ball is missing', () => {
    assert.deepEqual(ready([ball('cue'), ball('')]), ['Say which one it is', false]);
    assert.deepEqual(ready([ball(''), ball('')]), ['Say which 2 of them are', false]);
    assert.deepEqual(ready([ball('3')]), ['Point at the cue ball, too', false]);
    assert.deepEqual(ready([ball('cue'), ball('3'), ball('3')]), ['One ball is there twice', false]);
    assert.deepEqual(ready([ball('cue'), ball('3')]), ['Put these 2 balls on the table', true]);
});
