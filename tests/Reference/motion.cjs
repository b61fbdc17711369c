// Integrates the equations of a sliding ball, or of a cushion impact, with Hairer's ODEX.
// Standard input: { kind, cases }; output: a list of final states.
const { Solver } = require('odex');
const { kind, cases } = JSON.parse(require('fs').readFileSync(0, 'utf8'));
const integrate = (f, from, y, to) => {
  const s = new Solver(y.length);
  s.absoluteTolerance = s.relativeTolerance = 1e-12;
  s.maxSteps = 100000;
  return s.solve(f, from, y, to).y;
};

// [x, y, vx, vy, wx, wy] under friction mu g against the slip of the lowest point; R the radius.
const slide = ({ y, mu, g, R, time }) => integrate((t, [, , vx, vy, wx, wy]) => {
  const ux = vx - R * wy, uy = vy + R * wx, u = Math.hypot(ux, uy);
  const ax = -mu * g * ux / u, ay = -mu * g * uy / u;
  // Torque (0, 0, -R) x F over (2/5) m R^2.
  return [vx, vy, ax, ay, 2.5 * ay / R, -2.5 * ax / R];
}, 0, y, time);

// [vx, vy, Rwx, Rwy, Rwz, work] over the nose's impulse; x along the cushion, y into it. Forces at the nose and below.
const cushion = ({ y, mu, muc, e, s, c }) => {
  const f = (P, [vx, vy, px, py, pz]) => {
    // Velocity of the nose's point of the ball, v + w x (0, c, s).
    const nx = vx + py * s - pz * c, ny = vy - px * s, nz = px * c;
    const into = ny * c + nz * s;
    const ty = ny - into * c, tz = nz - into * s, slip = Math.hypot(nx, ty, tz);
    const F = [-mu * nx / slip, -c - mu * ty / slip, -s - mu * tz / slip];
    const load = Math.max(0, -F[2]);
    const bx = vx - py, by = vy + px, below = Math.hypot(bx, by);
    const G = [-muc * load * bx / below, -muc * load * by / below];
    return [F[0] + G[0], F[1] + G[1],
      2.5 * (c * F[2] - s * F[1] + G[1]), 2.5 * (s * F[0] - G[0]), -2.5 * c * F[0], vy * c];
  };
  // The impulse at which a function of the state, falling or rising through zero, is zero: regula falsi on solves.
  const until = (from, state, goal) => {
    let a = from, b = from + state[1] * 0.2 + 0.01, fa = goal(state);
    let at = integrate(f, from, state, b);
    while (goal(at) * fa > 0) { b += 0.05; at = integrate(f, from, state, b); }
    let fb = goal(at);
    for (let i = 0; i < 80 && Math.abs(fb) > 1e-14; i++) {
      const m = i % 3 === 2 ? (a + b) / 2 : (a * fb - b * fa) / (fb - fa);
      at = integrate(f, from, state, m);
      const fm = goal(at);
      if (fm * fb < 0) { a = b; fa = fb; } else { fa /= 2; }
      b = m; fb = fm;
    }
    return [b, at];
  };
  const [stop, still] = until(0, [...y, 0], (q) => q[1]);
  const [, after] = until(stop, still, (q) => q[5] - (1 - e * e) * still[5]);
  return after.slice(0, 5);
};
console.log(JSON.stringify(cases.map(kind === 'slide' ? slide : cushion)));
