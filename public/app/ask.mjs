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

const AWAY = 'Zig Lane does not answer. Is it still running? What you saved is safe.';

/** What to tell of a request that came to nothing; null when it was left on purpose. */
export function trouble(error) {
    if (error instanceof Refused) return error.message;

    return error.name === 'AbortError' ? null : AWAY;
}

/**
 * Requests of one kind, one at a time. While one is under way the newest "replaces" it, and its work is left, or "waits" for it; those
 * between are dropped.
 */
export class RequestQueue {
    #running = null;
    #waiting = null;

    /**
     * @param {(question: any, signal: AbortSignal) => Promise<any>} ask
     * @param {(answer: any, question: any) => void} show
     * @param {{newest?: 'waits' | 'replaces', tell?: (words: string) => void, idle?: () => void}} [how] idle is called when nothing is
     *        under way any more
     */
    constructor(ask, show, { newest = 'waits', tell = () => {}, idle = () => {} } = {}) {
        Object.assign(this, { ask, show, newest, tell, idle });
    }

    async put(question) {
        if (this.#running && this.newest === 'waits') {
            this.#waiting = { question };
            return;
        }
        if (this.#running && this.#running.question === question) return;
        this.#running?.stop.abort();
        const mine = this.#running = { question, stop: new AbortController() };
        try {
            const answer = await this.ask(question, mine.stop.signal);
            if (!mine.stop.signal.aborted) this.show(answer, question);
        } catch (error) {
            const words = trouble(error);
            if (words) this.tell(words);
        } finally {
            if (this.#running === mine) this.#done();
        }
    }

    /** Leaves what is under way and what waits. */
    drop() {
        this.#waiting = null;
        if (!this.#running) return;
        this.#running.stop.abort();
        this.#running = null;
        this.idle();
    }

    #done() {
        const next = this.#waiting;
        this.#running = this.#waiting = null;
        if (next) this.put(next.question);
        else this.idle();
    }
}
