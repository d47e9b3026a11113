// What a lens sees: how far its picture reaches from its axis, for each metre ahead.

/**
 * @typedef {object} Seen
 * @property {number} across half the width of the picture
 * @property {number} up half its height
 * @property {number} right how far its middle lies to the right of the axis: 0 unless the lens is shifted
 * @property {number} above how far its middle lies above the axis
 */

/** @param {any} lens what it is set to @returns {Seen} */
export function seenBy({ focalMm, squeeze, gateWidthMm, gateHeightMm, shiftRightMm, shiftUpMm }) {
  return {
    across: (squeeze * gateWidthMm) / (2 * focalMm),
    up: gateHeightMm / (2 * focalMm),
    right: (squeeze * shiftRightMm) / focalMm,
    above: shiftUpMm / focalMm,
  };
}
