// The keyboard in one table: what each key does, and the list that helps a person find it.

/**
 * Rows of the list. `keys` are shown as caps; `does` maps what the browser calls a key to the name of an action. In `words`, what stands in
 * braces is shown as a cap too.
 */
export const ROWS = [
    { keys: ['Tab'], words: 'to the next ball, card or control' },
    { keys: ['←', '↑', '→', '↓'], words: 'on a ball: move it an eighth of a diamond; with {Shift} a fiftieth. On the tip: move it; with {Shift} finely' },
    { keys: ['[', ']'], words: 'the stop or leg before, after', does: { '[': 'before', ']': 'after' } },
    { keys: ['l'], words: 'to the layout', does: { l: 'layout' } },
    { keys: ['v'], words: 'read the table, or back to planning', does: { v: 'read' } },
    { keys: ['a'], words: 'while reading: ask from a place; arrows move it, {Enter} asks whether the cue ball gets there', does: { a: 'ask' } },
    { keys: ['n'], words: 'plan the next leg', does: { n: 'next' } },
    { keys: ['1', '6'], between: ' – ', words: 'choose the pocket of the leg', does: Object.fromEntries(['1', '2', '3', '4', '5', '6'].map((key) => [key, 'pocket'])) },
    { keys: ['f'], words: 'find routes for the leg; {Tab} goes through them and shows each, {Enter} takes one over', does: { f: 'routes' } },
    { keys: ['o'], words: 'the run-out, or back; there {g} plans, {x} stops, {k} takes the plan over', does: { o: 'runOut', g: 'plan', x: 'stopPlan', k: 'takePlan' } },
    { keys: ['t', 's'], words: 'to the tip, to the speed', does: { t: 'tip', s: 'speed' } },
    { keys: ['w'], words: 'walk round: the table as it is seen from the next side', does: { w: 'walk' } },
    { keys: ['p'], words: 'play the leg, or stop playing', does: { p: 'play' } },
    { keys: ['Delete'], words: 'on a ball: take it off the table. On a leg’s card: remove the leg', does: { Delete: 'remove' } },
    { keys: ['Ctrl', 'Z'], or: ['u'], words: 'undo', does: { u: 'undo', 'Ctrl+z': 'undo' } },
    { keys: ['Ctrl', 'Shift', 'Z'], or: ['r'], words: 'redo', does: { r: 'redo', 'Ctrl+Shift+z': 'redo' } },
    { keys: ['?'], words: 'this list; {Esc} closes it', does: { '?': 'help' } },
];

const ACTIONS = Object.assign({}, ...ROWS.map((row) => row.does ?? {}));

/**
 * The action that a key press asks for, or undefined.
 *
 * @param {{key: string, ctrlKey?: boolean, metaKey?: boolean, shiftKey?: boolean, altKey?: boolean}} event
 */
export function actionOf({ key, ctrlKey, metaKey, shiftKey, altKey }) {
    if (altKey) return undefined;
    return ACTIONS[ctrlKey || metaKey ? `Ctrl+${shiftKey ? 'Shift+' : ''}${key.toLowerCase()}` : key];
}

/**
 * Words and caps of a text: [['ask from a place; ', false], ['Enter', true], …].
 *
 * @param {string} words
 * @returns {Array<[string, boolean]>}
 */
export function pieces(words) {
    return words.split(/\{(\w+)\}/).map((text, n) => [text, n % 2 === 1]).filter(([text]) => text !== '');
}

function cap(text) {
    const kbd = document.createElement('kbd');
    kbd.textContent = text;
    return kbd;
}

/** Fills a <dl> with the list. */
export function printKeys(list) {
    for (const row of ROWS) {
        const dt = document.createElement('dt');
        row.keys.forEach((key, n) => dt.append(...(n ? [row.between ?? ' '] : []), cap(key)));
        for (const key of row.or ?? []) dt.append(', ', cap(key));
        const dd = document.createElement('dd');
        dd.append(...pieces(row.words).map(([text, isCap]) => (isCap ? cap(text) : text)));
        list.append(dt, dd);
    }
}
