// Plays a leg at true speed from the pieces the server worked out: each is a place, a velocity and an acceleration.

const GRAVITY = 9806.65; // mm/s²
const NEARER = 400; // mm that make a ball look twice as large

let motion = null;
let source = null;
let time = 0;
let last = null; // clock of the last frame while playing
let leg = null; // what is being played, as its button calls it

const field = (id) => document.getElementById(id);

function load() {
    const script = field('motion');
    if (script?.textContent === source && motion) return motion;
    source = script?.textContent ?? null;
    motion = source ? JSON.parse(source) : null;
    time = 0;
    return motion;
}

function placeOf(ball, t) {
    let [x, y] = ball.at;
    let z = 0;
    for (const [from, to, px, py, vx, vy, ax, ay, height, vz] of ball.pieces) {
        if (t < from) break;
        const s = Math.min(t, to) - from;
        z = vz === undefined ? 0 : Math.max(0, height + vz * s - GRAVITY * s * s / 2);
        x = px + vx * s + ax * s * s / 2;
        y = py + vy * s + ay * s * s / 2;
    }
    const end = ball.pieces.at(-1)?.[1] ?? 0;
    return { x, y, z: t < end ? z : 0, gone: ball.falls && t >= end };
}

// A ball in the air looks larger, and its shadow lies beside it.
function lift(g, x, y, z) {
    const size = 1 + z / NEARER;
    let shadow = g.querySelector('.airshadow');
    if (z > 0 && !shadow) {
        shadow = document.createElementNS(g.namespaceURI, 'circle');
        shadow.setAttribute('class', 'airshadow');
        shadow.setAttribute('r', 28.575);
        g.prepend(shadow);
    }
    if (z > 0) shadow.setAttribute('transform', `scale(${1 / size}) translate(${z / 2} ${z / 2})`);
    else shadow?.remove();
    g.setAttribute('transform', `translate(${x} ${y})${z > 0 ? ` scale(${size})` : ''}`);
}

function draw() {
    if (!load()) return;
    for (const [name, ball] of Object.entries(motion.balls)) {
        const g = field(`ball-${name}`);
        if (!g) continue;
        const { x, y, z, gone } = placeOf(ball, time);
        lift(g, x, y, z);
        g.classList.toggle('gone', gone);
    }
    const clock = field('clock');
    if (clock) {
        clock.value = time;
        field('clock-out').textContent = `${time.toFixed(1)} of ${motion.duration.toFixed(1)} s`;
    }
}

function frame(now) {
    if (last === null) return;
    if (!load() || !field('play')) { last = null; return; }
    time = Math.min(motion.duration, time + (now - last) / 1000 * Number(field('pace').value));
    last = now;
    draw();
    if (time >= motion.duration) stop();
    else requestAnimationFrame(frame);
}

function stop() {
    last = null;
    field('play')?.setAttribute('aria-pressed', 'false');
    label('Play');
}

function label(word) {
    const button = field('play');
    if (button) button.textContent = button.textContent.replace(/^\S+/, word);
}

const legOf = (button) => button?.textContent.replace(/^\S+\s*/, '');

function begin() {
    last ??= performance.now();
    field('play').setAttribute('aria-pressed', 'true');
    label('Pause');
}

// What was being played goes on after a redraw: from the start when the shot has changed, not at all when another leg is shown.
function resume() {
    const goesOn = last !== null && legOf(field('play')) === leg;
    if (!load()) { last = null; return; }
    if (goesOn) begin();
    else last = null;
    if (goesOn || time > 0) draw();
}

export function togglePlay() {
    if (!load() || !field('play')) return;
    if (last !== null) return stop();
    if (time >= motion.duration) time = 0;
    leg = legOf(field('play'));
    begin();
    requestAnimationFrame(frame);
}

export function watchPlayback() {
    document.addEventListener('click', (event) => { if (event.target.closest?.('#play')) togglePlay(); });
    document.addEventListener('input', (event) => {
        if (event.target.id !== 'clock' || !load()) return;
        last = null;
        label('Play');
        time = Number(event.target.value);
        draw();
    });
    for (const name of ['htmx:afterSwap', 'zl:redrawn']) document.addEventListener(name, resume);
}
