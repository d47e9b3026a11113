// What a lens sees: how far its picture reaches from its axis, for each metre ahead, or in parallel at any distance.

/**
 * @typedef {object} Seen
 * @property {number} across half the width of the picture
 * @property {number} up half its height
 * @property {number} right how far its middle lies to the right of the axis: 0 unless the lens is shifted
 * @property {number} above how far its middle lies above the axis
 * @property {boolean} parallel whether that is in metres, whatever the distance
 */

/** What a hand turns a camera by over the height of a picture that has no angle. */
const TURN_DEG = 30;

/** Whether a lens sees in parallel. */
export const isParallel = ({ widthM }) => widthM > 0;

/** @param {any} lens what it is set to @returns {Seen} */
export function seenBy(lens) {
  return isParallel(lens) ? inParallel(lens) : throughOnePoint(lens);
}

function throughOnePoint({ focalMm, squeeze, gateWidthMm, gateHeightMm, shiftRightMm, shiftUpMm }) {
  return {
    across: (squeeze * gateWidthMm) / (2 * focalMm),
    up: gateHeightMm / (2 * focalMm),
    right: (squeeze * shiftRightMm) / focalMm,
    above: shiftUpMm / focalMm,
    parallel: false,
  };
}

function inParallel({ widthM, squeeze, gateWidthMm, gateHeightMm, shiftRightMm, shiftUpMm }) {
  const perMm = widthM / (squeeze * gateWidthMm);
  return {
    across: widthM / 2,
    up: (gateHeightMm * perMm) / 2,
    right: shiftRightMm * squeeze * perMm,
    above: shiftUpMm * perMm,
    parallel: true,
  };
}

/**
 * A part of a picture.
 *
 * @typedef {object} Crop
 * @property {number} x its middle, in parts of the picture from the left
 * @property {number} y from the top
 * @property {number} across how much of the width it has
 * @property {number} up how much of the height
 */

/** All of it. @type {Crop} */
export const WHOLE = { x: 0.5, y: 0.5, across: 1, up: 1 };

/** What is seen in a part of the picture. @param {Seen} seen @param {Crop} crop @returns {Seen} */
export function cropped(seen, { x, y, across, up }) {
  return {
    ...seen,
    across: seen.across * across,
    up: seen.up * up,
    right: seen.right + seen.across * (2 * x - 1),
    above: seen.above + seen.up * (1 - 2 * y),
  };
}

/** How many metres a unit of what is seen is at a distance. @param {Seen} seen @param {number} metres */
export const spreadAt = (seen, metres) => (seen.parallel ? 1 : metres);

/** How many degrees a hand turns by over the height of the picture. */
export const turnOf = (lens) => lens?.verticalDeg || TURN_DEG;

/** How far off something is that goes along with the hand. */
export function reachOf(lens) {
  if (!isParallel(lens)) return lens.focusM;
  return seenBy(lens).up / Math.tan((TURN_DEG * Math.PI) / 360);
}
