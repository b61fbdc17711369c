// What a player has said so far about a rack: ball, pocket, order, spot; each can be taken back. Then the stroke.

/** Nothing said yet; the question says { now, own, last }: balls that may be shot, all that are to be potted but the last, the last. */
export const begin = (question) => ({
    // Where one ball alone may be shot it need not be said.
    question, ball: question.now.length === 1 ? question.now[0] : null, pocket: null, order: [], spot: null, before: null,
});

/** Balls whose order is still to be said. */
export function unordered({ question, ball, order }) {
    return question.own.filter((name) => name !== ball && !order.includes(name));
}

/** What is asked for next. */
export function step(state) {
    if (!state.ball) return 'ball';
    if (!state.pocket) return 'pocket';
    // The last one left follows by itself.
    if (unordered(state).length > 1) return 'order';
    return state.spot ? 'stroke' : 'spot';
}

const after = (state, change) => ({ ...state, ...change, before: state });

/** A ball was pointed at; the same state where it says nothing. */
export function pickBall(state, name) {
    if (step(state) === 'ball' && state.question.now.includes(name)) return after(state, { ball: name });
    if (step(state) === 'order' && unordered(state).includes(name)) return after(state, { order: [...state.order, name] });
    return state;
}

export const pickPocket = (state, name) => (step(state) === 'pocket' ? after(state, { pocket: name }) : state);

/** A place was pointed at, in diamonds; again to correct it. */
export function pickSpot(state, spot) {
    if (step(state) === 'spot') return after(state, { spot });
    return step(state) === 'stroke' ? { ...state, spot } : state;
}

export const undo = (state) => state.before ?? state;

/** The whole order; empty where the rules give it. */
export function wholeOrder(state) {
    const { question, ball, order } = state;
    if (!question.last) return [];
    const first = ball === question.last ? [] : [...order, ...unordered(state)];
    return [ball, ...first, ...(ball === question.last ? [] : [question.last])];
}

/** What is sent. */
export const answerOf = (state, { side, height, lengths }) => ({
    shot: { ball: state.ball, pocket: state.pocket, speed: { lengths }, tip: { side, height } },
    spot: state.spot,
    order: wholeOrder(state),
});
