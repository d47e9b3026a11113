// Whether what stands in the set sticks to the plates: where a mark is in the pixels of the plate, and where this
// camera sees its place.
import { middleOf } from './marks.js';
import { platePixels } from './plates.js';

/** @import { Place } from './marks.js' */
/** @import { Told } from './plates.js' */
/** @import { View } from './view.js' */

/**
 * @typedef {object} Held a mark on a frame
 * @property {Place | null} here where this camera sees it; null if it lies behind
 * @property {Place | null} plate where it is in the plate; null if it is not near
 * @property {number | null} apart in pixels
 */

/**
 * @typedef {object} Verdict
 * @property {boolean} good
 * @property {number} inside frames on which a mark should be in the picture
 * @property {number} there frames on which one is near where it should be
 * @property {number} most pixels apart
 */

export const LIMIT_PX = 0.5;
const MARK_PX = 9;
/** A mark may be behind a piece on some frames. */
const LEAST_SHARE = 0.98;

/**
 * Holds every mark of every plate against where a camera sees its place.
 *
 * @param {View} view
 * @param {Told} told
 * @param {() => boolean} isAsked whether anybody still waits for it
 * @returns {Promise<Held[][] | null>} by frame, then by mark; null if nobody does
 */
export async function measured(view, told, isAsked) {
  const found = [];
  for (let frame = told.first; frame < told.first + told.count; frame++) {
    const pixels = await platePixels(frame);
    if (!isAsked()) return null;
    view.pose(frame);
    found.push(told.marks.map((mark) => held(view, pixels, mark)));
  }
  return found;
}

/**
 * @param {View} view
 * @param {ImageData} pixels
 * @param {Told['marks'][0]} mark
 * @returns {Held}
 */
function held(view, pixels, { colour, at }) {
  const here = view.seen(at);
  const plate = here && middleOf(pixels, colour, here);
  return { here, plate, apart: plate && Math.hypot(plate.x - here.x, plate.y - here.y) };
}

/**
 * The largest distance on each frame.
 *
 * @param {Held[][]} found
 * @returns {(number | null)[]} null where no mark is in the plate near where it should be
 */
export function apart(found) {
  return found.map((marks) => {
    const all = marks.map((m) => m.apart).filter((a) => a !== null);
    return all.length ? Math.max(...all) : null;
  });
}

/**
 * @param {Held[][]} found
 * @param {Told} told
 * @returns {Verdict}
 */
export function verdict(found, { width, height }) {
  const isInside = (/** @type {Place | null} */ p) =>
    p !== null && p.x > MARK_PX && p.y > MARK_PX && p.x < width - MARK_PX && p.y < height - MARK_PX;
  const inside = found.filter((marks) => marks.some((m) => isInside(m.here))).length;
  const all = apart(found).filter((a) => a !== null);
  const most = Math.max(0, ...all);
  const good = all.length > 0 && all.length >= inside * LEAST_SHARE && most <= LIMIT_PX;
  return { good, inside, there: all.length, most };
}
