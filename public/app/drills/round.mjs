// A round of a drill, press after press: what is asked for next, and what was scored. Every state is kept, so that each press can be undone.

/** A round; the drill says { course, tries, stations, whole, test }. */
export const begin = (drill) => ({ drill, points: [], station: 0, running: 0, good: 0, repeats: 0, before: null });

export const isOver = ({ drill, points }) => points.length >= drill.tries;
export const score = ({ points }) => points.reduce((sum, one) => sum + one, 0);

const after = (state, change) => ({ ...state, ...change, before: state });

function tryOver(state, points) {
    return after(state, { points: [...state.points, points], station: state.drill.course === 'stations' ? state.station + 1 : 0, running: 0, good: 0 });
}

/** A ball of a run was made, with so many points. */
function onward(state, points) {
    const { drill } = state;
    const running = state.running + points;
    const good = state.good + 1;
    if (drill.course === 'run' && good === drill.stations) return tryOver(state, drill.whole ? 1 : running);
    return after(state, { running, good, station: drill.course === 'run' ? state.station + 1 : state.station });
}

/** So many points for this shot; null for a miss that ends a try which goes on. */
export function press(state, points) {
    if (isOver(state)) return state;
    const { drill } = state;
    if (drill.course === 'stations') {
        // In training a shot is repeated until it works.
        return points === 0 && !drill.test ? after(state, { repeats: state.repeats + 1 }) : tryOver(state, points);
    }
    return points === null ? tryOver(state, drill.whole ? 0 : state.running) : onward(state, points);
}

export const undo = (state) => state.before ?? state;

/** Number of the station that is on. */
export const stationOf = ({ drill, station, points }) => (drill.course === 'stations' ? Math.min(station, points.length) % drill.stations : station);
