// node --test tests/Modules
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { clamp, diamonds, millimetres, spoken } from '../../public/app/units.mjs';

const bed = { length: 2540, width: 1270 };

test('a diamond is an eighth of the length and a quarter of the width', () => {
    assert.deepEqual(diamonds({ x: 317.5, y: 635 }, bed), { x: 1, y: 2 });
    assert.deepEqual(millimetres({ x: 8, y: 4 }, bed), { x: 2540, y: 1270 });
});

test('there and back is the same place on every table', () => {
    for (const { length, width } of [bed, { length: 1981, width: 991 }]) {
        const back = millimetres(diamonds({ x: 123.4, y: 567.8 }, { length, width }), { length, width });
        assert.ok(Math.abs(back.x - 123.4) < 1e-9 && Math.abs(back.y - 567.8) < 1e-9);
    }
});

test('places are said with two decimals', () => assert.equal(spoken({ x: 2.5, y: 1 }), '2.50, 1.00'));

test('numbers are kept between their limits', () => assert.deepEqual([-1, 3, 9].map((v) => clamp(v, 0, 8)), [0, 3, 8]));
