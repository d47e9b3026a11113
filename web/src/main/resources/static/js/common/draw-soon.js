// When views draw: what is in hand in the next frame, all others one or two frames later, so that the hand never waits.
import { isHeldOutside } from './reach.js';

/**
 * @param {Element} view where it is drawn
 * @param {(now: number) => void} draw
 * @param {number} [lag] how many frames later, while something outside of the view is in hand
 */
export function drawSoon(view, draw, lag = 1) {
  const wait = (left) => requestAnimationFrame((now) => (left > 0 ? wait(left - 1) : draw(now)));
  wait(isHeldOutside(view) ? lag : 0);
}
