// Asking the server in JSON.

export const JSON_TYPE = { 'Content-Type': 'application/json' };

/** What it answers; throws with its own words when it refuses. */
export async function postJson(address, body) {
    const answer = await fetch(address, { method: 'POST', headers: JSON_TYPE, body: JSON.stringify(body) });
    const says = await answer.json().catch(() => ({}));
    if (!answer.ok) throw new Error(says.problem ?? 'That did not work. Try again.');
    return says;
}
