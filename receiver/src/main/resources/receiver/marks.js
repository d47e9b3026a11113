// Looks for a mark in the pixels of a plate.

/** @typedef {{x: number, y: number}} Place in pixels */

const SEARCH_PX = 14;
/** A mark stands in a dark ring, so that its edge mixes with one colour only. */
const RING = 16;
const RING_PX = 6;
/** How much of a mark must be there for its middle to be told, in whole pixels. */
const LEAST_PX = 8;

/**
 * How far each pixel around a place is from a colour: 0 at it, 1 at the dark ring of a mark.
 *
 * @param {ImageData} pixels
 * @param {string} colour as #rrggbb
 * @param {Place} middle
 * @param {number} radius
 */
function* around(pixels, colour, middle, radius) {
  const rgb = [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16));
  const whole = rgb.reduce((sum, v) => sum + Math.abs(v - RING), 0);
  const from = (/** @type {number} */ v) => Math.max(0, Math.floor(v - radius));
  for (let y = from(middle.y); y < Math.min(pixels.height, middle.y + radius); y++) {
    for (let x = from(middle.x); x < Math.min(pixels.width, middle.x + radius); x++) {
      const at = 4 * (y * pixels.width + x);
      const off = rgb.reduce((sum, v, i) => sum + Math.abs(pixels.data[at + i] - v), 0) / whole;
      yield { x: x + 0.5, y: y + 0.5, off };
    }
  }
}

/**
 * The mean of places by weight, if there is enough of it.
 *
 * @param {(Place & {weight: number})[]} places
 * @returns {Place | null}
 */
function mean(places) {
  let [sum, x, y] = [0, 0, 0];
  for (const p of places) {
    sum += p.weight;
    x += p.weight * p.x;
    y += p.weight * p.y;
  }
  return sum >= LEAST_PX ? { x: x / sum, y: y / sum } : null;
}

/**
 * Where the middle of a mark lies, looked for near a place.
 *
 * @param {ImageData} pixels
 * @param {string} colour as #rrggbb
 * @param {Place} near
 * @returns {Place | null} null if it is not there
 */
export function middleOf(pixels, colour, near) {
  const full = [...around(pixels, colour, near, SEARCH_PX)].filter((p) => p.off < 0.2);
  const rough = mean(full.map((p) => ({ ...p, weight: 1 })));
  if (!rough) return null;
  const inRing = [...around(pixels, colour, rough, RING_PX + 1)].filter(
    (p) => Math.hypot(p.x - rough.x, p.y - rough.y) < RING_PX,
  );
  return mean(inRing.map((p) => ({ ...p, weight: Math.max(0, 1 - p.off) })));
}
