// A sheet for the printer: a small code that leads back to the page.

import { qrcode } from '../vendor/qrcode-generator-2.0.4.mjs';

const SVG = 'http://www.w3.org/2000/svg';
const QUIET = 2;

for (const box of document.querySelectorAll('[data-code]')) {
    const code = qrcode(0, 'M');
    code.addData(box.dataset.code);
    code.make();
    const size = code.getModuleCount();
    let dark = '';
    for (let y = 0; y < size; y += 1) for (let x = 0; x < size; x += 1) if (code.isDark(y, x)) dark += `M${x} ${y}h1v1h-1z`;
    const svg = document.createElementNS(SVG, 'svg');
    svg.setAttribute('viewBox', `${-QUIET} ${-QUIET} ${size + 2 * QUIET} ${size + 2 * QUIET}`);
    const path = document.createElementNS(SVG, 'path');
    path.setAttribute('d', dark);
    svg.append(path);
    box.replaceChildren(svg);
}
document.getElementById('print').addEventListener('click', () => print());
for (const choice of document.querySelectorAll('[data-submits]')) choice.addEventListener('change', () => choice.form.submit());
// Other ways are still being looked for: the sheet is asked for again.
const AGAIN = 1200;
if ('again' in document.body.dataset) setTimeout(() => location.reload(), AGAIN);
