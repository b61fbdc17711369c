// node --test tests/Modules
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { entryQueue } from '../../public/app/at-table/queue.mjs';

function store() {
    const kept = new Map();
    return { getItem: (name) => kept.get(name) ?? null, setItem: (name, text) => kept.set(name, text) };
}

test('what is entered without a connection waits, also for another page, and is sent once', async () => {
    const device = store();
    const sent = [];
    let line = false;
    const post = async (entries) => {
        if (!line) throw new Error('no line');
        sent.push(...entries.map((one) => `${one.key} ${one.edition}`));
        return { kept: entries.map((one) => one.key), refused: {} };
    };
    const before = entryQueue({ store: device, name: 'q', post });
    before.add({ key: 'a', edition: 1 });
    before.add({ key: 'b', edition: 1 });
    before.add({ key: 'a', edition: 2 });
    assert.equal(await before.send(), false);
    assert.equal(before.waiting(), 2);
    const reloaded = entryQueue({ store: device, name: 'q', post });
    line = true;
    assert.equal(await reloaded.send(), true);
    assert.deepEqual(sent, ['b 1', 'a 2']);
    assert.equal(await reloaded.send(), true);
    assert.equal(sent.length, 2);
});

test('what is changed while it is under way is sent again', async () => {
    const device = store();
    const sent = [];
    const queue = entryQueue({
        store: device,
        name: 'q',
        async post(entries) {
            sent.push(...entries.map((one) => one.edition));
            if (sent.length === 1) queue.add({ key: 'a', edition: 2 });
            return { kept: entries.map((one) => one.key) };
        },
    });
    queue.add({ key: 'a', edition: 1 });
    await queue.send();
    assert.deepEqual(sent, [1, 2]);
    assert.equal(queue.waiting(), 0);
});

test('what is refused is set aside with its reason', async () => {
    const queue = entryQueue({ store: store(), name: 'q', post: async () => ({ kept: ['b'], refused: { a: 'the 2 is not on the table' } }) });
    queue.add({ key: 'a', edition: 1 });
    queue.add({ key: 'b', edition: 1 });
    assert.equal(await queue.send(), true);
    assert.deepEqual(queue.refused().map((one) => [one.key, one.problem]), [['a', 'the 2 is not on the table']]);
});

test('a server that keeps nothing is not asked for ever', async () => {
    const queue = entryQueue({ store: store(), name: 'q', post: async () => ({ kept: [] }) });
    queue.add({ key: 'a', edition: 1 });
    assert.equal(await queue.send(), false);
    assert.equal(queue.waiting(), 1);
});
