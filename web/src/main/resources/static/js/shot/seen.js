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

/** How many metres a unit of what is seen is at a distance. @param {Seen} seen @param {number} metres */
export const spreadAt = (seen, metres) => (seen.parallel ? 1 : metres);

/** How many degrees a hand turns by over the height of the picture. */
export const turnOf = (lens) => lens?.verticalDeg || TURN_DEG;

/** How far off something is that goes along with the hand. */
export function reachOf(lens) {
  if (!isParallel(lens)) return lens.focusM;
  return seenBy(lens).up / Math.tan((TURN_DEG * Math.PI) / 360);
}
