// Asks for what a worker works out, again and again until it is there.

import { JSON_TYPE } from '../post.mjs';

const AGAIN = 350;
/** A busy server is left in peace for so long, ms. */
const BUSY = 3000;
const TOO_MANY = 429;

const pause = (ms) => new Promise((done) => { setTimeout(done, ms); });

/** The last answer; so far() hears of those before it. Throws with the server's own words when it refuses. */
export async function askUntilThere(address, body, soFar) {
    for (;;) {
        const answer = await fetch(address, { method: 'POST', headers: JSON_TYPE, body: JSON.stringify(body) });
        const says = await answer.json().catch(() => ({}));
        if (answer.status === TOO_MANY) {
            await pause(BUSY);
        } else if (!answer.ok) {
            throw new Error(says.problem ?? 'That did not work. Try again.');
        } else if (answer.status !== 202) {
            return says;
        } else {
            soFar(says);
            await pause(AGAIN);
        }
    }
}
