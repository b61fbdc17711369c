// Asking for what a worker works out: asks again until the last answer has come. Leaving (abort) ends the work.

const wait = (ms, signal) => new Promise((done, gone) => {
    const timer = setTimeout(done, ms);
    signal?.addEventListener('abort', () => { clearTimeout(timer); gone(new DOMException('left', 'AbortError')); }, { once: true });
});

/** Refused, with the words to show. */
export class Refused extends Error {}

/**
 * @param {string|URL} address
 * @param {{signal?: AbortSignal, progress?: (text: string) => void}} [how] progress is called with each answer before the last
 * @returns {Promise<string>} the last answer
 * @throws {Refused} when there is none
 */
export async function askWorker(address, { signal, progress } = {}) {
    let away = 0;
    for (;;) {
        const answer = await fetch(address, { headers: { Accept: 'text/html' }, signal });
        const text = await answer.text();
        if (answer.status === 202) {
            if (text !== '') progress?.(text);
            await wait(1000 * Number(answer.headers.get('X-Ask-Again') ?? 0.3), signal);
            away = 0;
        } else if (answer.ok) {
            return text;
        } else if (answer.status === 503 && ++away < 10) {
            await wait(1000, signal); // it is coming back
        } else {
            throw new Refused(answer.status === 422 || answer.status === 429 ? text : 'That could not be worked out.');
        }
    }
}
