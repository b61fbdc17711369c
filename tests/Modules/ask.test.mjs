// node --test tests/Modules
import assert from 'node:assert/strict';
import { afterEach, test } from 'node:test';
import { Refused, RequestQueue, askWorker } from '../../public/app/ask.mjs';

const answers = (...list) => {
    const asked = [];
    globalThis.fetch = async (address, how) => {
        how.signal?.throwIfAborted();
        asked.push(address);
        const [status, text = '', headers = {}] = list[Math.min(asked.length, list.length) - 1];
        return { status, ok: status >= 200 && status < 300, text: async () => text, headers: new Map(Object.entries(headers)) };
    };
    return asked;
};
afterEach(() => { delete globalThis.fetch; });

test('the last answer is given back', async () => {
    const asked = answers([200, 'done']);
    assert.equal(await askWorker('/zone'), 'done');
    assert.equal(asked.length, 1);
});

test('while it is worked out the page asks again and shows what there is', async () => {
    const asked = answers([202, '', { 'X-Ask-Again': '0.001' }], [202, 'some', { 'X-Ask-Again': '0.001' }], [200, 'all']);
    const shown = [];
    assert.equal(await askWorker('/routes', { progress: (text) => shown.push(text) }), 'all');
    assert.deepEqual(shown, ['some']);
    assert.equal(asked.length, 3);
});

test('a refusal brings its words', async () => {
    answers([422, 'There is no 4 on the table.']);
    await assert.rejects(askWorker('/zone'), (error) => error instanceof Refused && error.message === 'There is no 4 on the table.');
});

test('a failure of the server has no words of its own', async () => {
    answers([500, '<html>']);
    await assert.rejects(askWorker('/zone'), (error) => error instanceof Refused && error.message === 'That could not be worked out.');
});

test('leaving ends the asking', async () => {
    const asked = answers([202, '', { 'X-Ask-Again': '0.05' }]);
    const leave = new AbortController();
    const asking = askWorker('/routes', { signal: leave.signal });
    setTimeout(() => leave.abort(), 20);
    await assert.rejects(asking, { name: 'AbortError' });
    const before = asked.length;
    await new Promise((done) => setTimeout(done, 120));
    assert.equal(asked.length, before);
});

const slow = (told) => (question, signal) => new Promise((done, gone) => {
    told.push(question);
    const timer = setTimeout(() => done(`answer to ${question}`), 20);
    signal.addEventListener('abort', () => { clearTimeout(timer); gone(new DOMException('left', 'AbortError')); });
});

test('while one is under way the newest waits and those between are dropped', async () => {
    const [asked, shown] = [[], []];
    await new Promise((done) => {
        const queue = new RequestQueue(slow(asked), (answer) => shown.push(answer), { idle: done });
        for (const question of ['a', 'b', 'c']) queue.put(question);
    });
    assert.deepEqual(asked, ['a', 'c']);
    assert.deepEqual(shown, ['answer to a', 'answer to c']);
});

test('the newest replaces the one under way', async () => {
    const [asked, shown] = [[], []];
    await new Promise((done) => {
        const queue = new RequestQueue(slow(asked), (answer) => shown.push(answer), { newest: 'replaces', idle: done });
        for (const question of ['a', 'a', 'b']) queue.put(question);
    });
    assert.deepEqual(asked, ['a', 'b']);
    assert.deepEqual(shown, ['answer to b']);
});

test('what is dropped shows nothing, and says nothing', async () => {
    const said = [];
    const queue = new RequestQueue(slow([]), (answer) => said.push(answer), { tell: (words) => said.push(words) });
    queue.put('a');
    queue.put('b');
    queue.drop();
    await new Promise((done) => setTimeout(done, 60));
    assert.deepEqual(said, []);
});

test('trouble is told in words', async () => {
    const said = [];
    await new Promise((done) => {
        new RequestQueue(async () => { throw new Refused('No.'); }, () => {}, { tell: (words) => said.push(words), idle: done }).put('a');
    });
    await new Promise((done) => {
        new RequestQueue(async () => { throw new TypeError('fetch failed'); }, () => {}, { tell: (words) => said.push(words), idle: done }).put('a');
    });
    assert.equal(said[0], 'No.');
    assert.match(said[1], /^Zig Lane does not answer/);
});
