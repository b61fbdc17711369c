// A magnifier above the finger, over a picture.

import { put } from '../above.mjs';

/** Screen px for one of the picture, and the glass's half, screen px. */
const ZOOM = 5;
const HALF = 70;

export function loupe(canvas, source, box) {
    const image = new Image();
    image.src = source;
    const pen = canvas.getContext('2d');
    return {
        show(event, [u, v]) {
            put(canvas, event, box.getBoundingClientRect(), 2 * HALF);
            const reach = HALF / ZOOM;
            const size = canvas.width;
            pen.imageSmoothingEnabled = true;
            pen.fillStyle = '#10171e';
            pen.fillRect(0, 0, size, size);
            pen.drawImage(image, u - reach, v - reach, 2 * reach, 2 * reach, 0, 0, size, size);
            pen.strokeStyle = 'rgb(255 255 255 / 90%)';
            pen.lineWidth = 2;
            pen.beginPath();
            // The middle stays free, so that what is pointed at is seen.
            for (const [x, y] of [[1, 0], [-1, 0], [0, 1], [0, -1]]) {
                pen.moveTo(size / 2 + x * 14, size / 2 + y * 14);
                pen.lineTo(size / 2 + x * 60, size / 2 + y * 60);
            }
            pen.stroke();
        },
        hide() {
            canvas.hidden = true;
        },
    };
}
