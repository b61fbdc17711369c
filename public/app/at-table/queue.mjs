// Entries that wait to be sent: kept on the device until the server says that it has them, then forgotten.

import { JSON_TYPE } from '../post.mjs';

const AT_ONCE = 20;

/** A queue in a store such as localStorage; post(entries) answers { kept, refused } or throws when there is no connection. */
export function entryQueue({ store, name, post, changed = () => {} }) {
    let sending = false;
    const list = (which) => {
        try {
            const read = JSON.parse(store.getItem(which) ?? '[]');
            return Array.isArray(read) ? read : [];
        } catch {
            return [];
        }
    };
    const read = () => list(name);
    const write = (entries) => {
        store.setItem(name, JSON.stringify(entries));
        changed(entries);
    };
    const refusedName = `${name} refused`;

    /** Takes an entry; a newer edition of one that still waits takes its place. */
    function add(entry) {
        write([...read().filter((one) => one.key !== entry.key), entry]);
    }

    /** Sends what waits; true when nothing waits any longer. */
    async function send() {
        if (sending) return false;
        sending = true;
        try {
            for (let some = read().slice(0, AT_ONCE); some.length > 0; some = read().slice(0, AT_ONCE)) {
                const { kept, refused } = await post(some);
                const refusedKeys = Object.keys(refused ?? {});
                if (refusedKeys.length > 0) {
                    const bad = some.filter((one) => refusedKeys.includes(one.key)).map((one) => ({ ...one, problem: refused[one.key] }));
                    store.setItem(refusedName, JSON.stringify([...list(refusedName), ...bad]));
                }
                const done = new Set([...kept, ...refusedKeys]);
                // What was changed while it was under way stays: it is another edition.
                const sent = new Map(some.map((one) => [one.key, one.edition]));
                const left = read().filter((one) => !(done.has(one.key) && sent.get(one.key) === one.edition));
                if (!some.some((one) => done.has(one.key))) return false;
                write(left);
            }
            return true;
        } catch {
            return false;
        } finally {
            sending = false;
            changed(read());
        }
    }

    return { add, send, waiting: () => read().length, refused: () => list(refusedName) };
}

const hex = (byte) => byte.toString(16).padStart(2, '0');

/** Tells an entry from every other. */
export const newKey = () => crypto.randomUUID?.() ?? [...crypto.getRandomValues(new Uint8Array(16))].map(hex).join('');

/** The time as the server reads it. */
export const now = () => `${new Date().toISOString().slice(0, 19)}Z`;

/** Posts entries to an address: those refused as a whole are refused one by one. */
export const posting = (address) => async (entries) => {
    const answer = await fetch(address, { method: 'POST', headers: JSON_TYPE, body: JSON.stringify({ entries }) });
    if (answer.status === 422) return { kept: [], refused: Object.fromEntries(entries.map((one) => [one.key, 'refused as a whole'])) };
    if (!answer.ok) throw new Error(answer.status);
    return answer.json();
};
