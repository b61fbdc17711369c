// The page behind a link: nothing but playing a shot.

import { togglePlay, watchPlayback } from './playback.mjs';

watchPlayback();
document.addEventListener('keydown', (event) => {
    if (event.key === 'p' && !event.target.matches('input, select')) togglePlay();
});
