import assert from 'node:assert/strict';
import { test } from 'node:test';
import { band, corner, drillOf, middle, moved, ring, sized } from '../../public/app/drills/areas.mjs';

test('areas are moved by their middle and stay on the table', () => {
    assert.deepEqual(middle(moved(ring(4, 2), [6, 1])), [6, 1]);
    assert.deepEqual(moved(band(), [0, 0]), { band: { along: [0, 2], across: [0, 2] } });
    assert.deepEqual(moved({ polygon: [[1, 1], [2, 1], [1.5, 2.5]] }, [2.5, 1.5]).polygon[0], [2, 1]);
});

test('areas are made larger by their corner, and never nothing', () => {
    assert.equal(sized(ring(4, 2), [5, 2]).circle.radius, 1);
    assert.equal(sized(ring(4, 2), [4, 2]).circle.radius, 0.15);
    assert.deepEqual(sized(band(), [7, 3.5]).band, { along: [3, 7], across: [1, 3.5] });
    assert.deepEqual(corner(sized({ polygon: [[1, 1], [2, 1], [1.5, 2.5]] }, [1, 3])), [1, 3]);
});

test('each area is a rule, the best first, with what all have in common', () => {
    const start = { game: 'nine-ball', table: {}, balls: { cue: [2, 2], 1: [6, 1] }, shot: null };
    const form = { name: 'Mine', skill: 'stop', does: '', watch: '', tries: 5, pass: 3, made: true, stay: false };
    const rules = drillOf(start, form, [{ area: ring(), points: 1, says: 'near', ball: 'cue' }, { area: band(), points: 3, says: 'in', ball: '1' }]).stations[0].rules;
    assert.deepEqual(rules.map(({ points, needs }) => [points, needs.length, needs[0]]), [[3, 2, 'made'], [1, 2, 'made']]);
    assert.equal(rules[0].needs[1].stops, '1');
    assert.deepEqual(drillOf(start, form, []).stations[0].rules[0].needs, ['made']);
});
