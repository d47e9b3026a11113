// Numbers of frames over a score or a graph, and the flag of the playhead before them.
import { s } from './dom.js';

const FLAG_PX = 42;
const NUMBER_PX = 32;
const BESIDE_PX = 3;

/** The number of a frame, right of its line. */
export const tickText = (frame, x, y) =>
  s('text', { class: 'tick', x: (x + BESIDE_PX).toFixed(1), y, text: frame, 'pointer-events': 'none' });

/** Takes away the numbers that the flag at x would cover in part. */
export function clearUnderFlag(ticks, x, width = FLAG_PX) {
  for (const tick of ticks) {
    const left = Number(tick.getAttribute('x'));
    const covered = left < x + width / 2 && left + NUMBER_PX > x - width / 2;
    tick.setAttribute('visibility', covered ? 'hidden' : 'visible');
  }
}
