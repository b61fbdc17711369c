// First time at which |p + v t + a t²/2| = d while falling, by the roots of the quartic (durand-kerner).
// Standard input: a list of [px, py, vx, vy, ax, ay, d]; output: a list of times, null for none.
const roots = require('durand-kerner');
const cases = JSON.parse(require('fs').readFileSync(0, 'utf8'));
console.log(JSON.stringify(cases.map(([px, py, vx, vy, ax, ay, d]) => {
  const c = [px * px + py * py - d * d, 2 * (px * vx + py * vy), vx * vx + vy * vy + px * ax + py * ay, vx * ax + vy * ay, (ax * ax + ay * ay) / 4];
  // Fixed starts, three of them, since the library's own are drawn at random and now and then find nothing.
  const re = [], im = [];
  for (const turn of [0.4, 1.1, 1.7]) {
    const start = [0, 1, 2, 3].map((k) => [(0.5 + 0.4 * k) * Math.cos(turn + 1.6 * k), (0.5 + 0.4 * k) * Math.sin(turn + 1.6 * k)]);
    const found = roots(c, new Array(5).fill(0), 2000, 1e-26, start.map((z) => z[0]), start.map((z) => z[1]));
    re.push(...found[0]);
    im.push(...found[1]);
  }
  const f = (t) => (((c[4] * t + c[3]) * t + c[2]) * t + c[1]) * t + c[0];
  const g = (t) => ((4 * c[4] * t + 3 * c[3]) * t + 2 * c[2]) * t + c[1];
  let best = null;
  for (let i = 0; i < re.length; i++) {
    if (Math.abs(im[i]) > 1e-3 * (1 + Math.abs(re[i]))) continue;
    // The library stops at about eight digits: Newton's rule gives the rest.
    let t = re[i];
    for (let k = 0; k < 5; k++) t -= f(t) / g(t);
    if (Math.abs(t - re[i]) > 1e-2 || Math.abs(f(t)) > 1e-12) continue;
    if (t > 0 && g(t) < 0 && (best === null || t < best)) best = t;
  }
  return best;
})));
