// node --test tests/Modules
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { ROWS, actionOf, pieces } from '../../public/app/keys.mjs';

test('a key asks for its action', () => {
    assert.equal(actionOf({ key: 'n' }), 'next');
    assert.equal(actionOf({ key: '4' }), 'pocket');
    assert.equal(actionOf({ key: '7' }), undefined);
    assert.equal(actionOf({ key: 'N' }), undefined);
});

test('undo and redo work with either modifier, whatever the case of the key', () => {
    assert.equal(actionOf({ key: 'z', ctrlKey: true }), 'undo');
    assert.equal(actionOf({ key: 'Z', metaKey: true, shiftKey: true }), 'redo');
});

test('what belongs to the browser is left to it', () => {
    for (const key of ['r', 't', 'n', 'p', 'f']) assert.equal(actionOf({ key, ctrlKey: true }), undefined);
    assert.equal(actionOf({ key: 'n', altKey: true }), undefined);
});

test('no key is given twice, and every action has a place in the page', () => {
    const keys = ROWS.flatMap((row) => Object.keys(row.does ?? {}));
    assert.equal(new Set(keys).size, keys.length);
    const main = readFileSync(new URL('../../public/app/main.mjs', import.meta.url), 'utf8');
    for (const action of new Set(ROWS.flatMap((row) => Object.values(row.does ?? {})))) assert.match(main, new RegExp(`^    ${action}[:,(]`, 'm'), action);
});

test('words in braces become caps', () => {
    assert.deepEqual(pieces('there {g} plans'), [['there ', false], ['g', true], [' plans', false]]);
    assert.deepEqual(pieces('{Esc} closes it'), [['Esc', true], [' closes it', false]]);
});
