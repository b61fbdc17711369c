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

const FORM = {
    name: 'Mine', skill: 'stop', does: '', watch: '', tries: 5, pass: 3, made: false, stay: false, course: 'stations', whole: false, together: false,
    needs: [], spread: {}, cutDeg: [0, 60],
};

test('each area is a rule, the best first, with what all have in common', () => {
    const start = { game: 'nine-ball', table: {}, balls: { cue: [2, 2], 1: [6, 1] }, shots: [] };
    const form = { ...FORM, made: true };
    const rules = drillOf(start, form, [{ area: ring(), points: 1, says: 'near', ball: 'cue' }, { area: band(), points: 3, says: 'in', ball: '1' }]).stations[0].rules;
    assert.deepEqual(rules.map(({ points, needs }) => [points, needs.length, needs[0]]), [[3, 2, 'made'], [1, 2, 'made']]);
    assert.equal(rules[0].needs[1].stops, '1');
    assert.deepEqual(drillOf(start, form, []).stations[0].rules[0].needs, ['made']);
});

test('all areas at once are one rule, with what is needed beside them', () => {
    const start = { game: 'nine-ball', table: {}, balls: { cue: [2, 2], 1: [6, 1] }, shots: [] };
    const needs = [{ kind: 'hidden', ball: '1', share: 0.2 }, { kind: 'moves', many: 2 }, { kind: 'apart', ball: 'cue', other: '1', far: 3 }];
    const areas = [{ area: ring(), points: 1, says: 'here', ball: 'cue' }, { area: band(), points: 3, says: 'there', ball: '1' }];
    const made = drillOf(start, { ...FORM, course: 'onward', stay: true, together: true, needs }, areas);
    assert.equal(made.course, 'onward');
    const [rule, ...others] = made.stations[0].rules;
    assert.deepEqual(others, []);
    assert.deepEqual([rule.points, rule.says], [3, 'there, here']);
    assert.deepEqual(rule.needs.slice(0, 4), ['nothing-drops', { hidden: '1', share: 0.2 }, { moves: 2 }, { apart: ['cue', '1'], far: 3 }]);
    assert.deepEqual(rule.needs.slice(4).map((need) => need.stops), ['1', 'cue']);
    assert.equal(made.stations[0].drawn, undefined);
});

test('a run has a station for each shot, with its own areas', () => {
    const shots = ['1', '2'].map((ball) => ({ title: ball, shot: { ball } }));
    const start = { game: 'nine-ball', table: {}, balls: { cue: [2, 2], 1: [6, 1], 2: [4, 3] }, shots };
    const made = drillOf(start, { ...FORM, course: 'run', whole: true }, [{ area: ring(), points: 2, says: 'in', ball: 'cue', shot: 1 }]);
    assert.equal(made.whole, true);
    assert.deepEqual(made.stations.map((station) => Object.keys(station)), [['balls', 'shot', 'name', 'rules'], ['shot', 'name', 'rules']]);
    assert.deepEqual(made.stations[0].rules, [{ points: 1, says: 'made', needs: ['made'] }]);
    assert.deepEqual(made.stations[1].rules[0].needs[0], 'made');
    assert.equal(made.stations[1].rules[0].points, 2);
});

test('places are drawn round those that the balls have, and never into a rail', () => {
    const start = { game: 'nine-ball', table: {}, balls: { cue: [2, 2], 1: [7.5, 0.5] }, shots: [] };
    const [station] = drillOf(start, { ...FORM, made: true, spread: { cue: 1, 1: 0.5 }, cutDeg: [20, 40] }, []).stations;
    assert.deepEqual(station.drawn.within, { 1: { band: { along: [7, 7.75], across: [0.25, 1] } }, cue: { band: { along: [1, 3], across: [1, 3] } } });
    assert.deepEqual(station.drawn.cutDeg, [20, 40]);
    assert.equal(drillOf(start, { ...FORM, spread: { cue: 0 } }, []).stations[0].drawn, undefined);
});
