// Room for texts, so that they do not print over one another.

const [ABOVE_PX, BELOW_PX] = [11, 3]; // of a text, from its base line

/** @typedef {[number, number, number, number]} Box left, top, right, bottom */

export class LabelRoom {
  /** @param {Box} within @param {Box[]} taken where no text may stand */
  constructor(within, taken = []) {
    this.within = within;
    this.taken = [...taken];
  }

  isFree(box) {
    const [x0, y0, x1, y1] = this.within;
    const inside = box[0] > x0 && box[1] > y0 && box[2] < x1 && box[3] < y1;
    return inside && this.taken.every((t) => box[0] >= t[2] || box[2] <= t[0] || box[1] >= t[3] || box[3] <= t[1]);
  }

  /**
   * Takes the first of some places that is free.
   *
   * @param {[number, number][]} places the start of the base line, in pixels
   * @returns {[number, number] | null} none where all are taken
   */
  take(places, width) {
    for (const [x, y] of places) {
      /** @type {Box} */
      const box = [x, y - ABOVE_PX, x + width, y + BELOW_PX];
      if (!this.isFree(box)) continue;
      this.taken.push(box);
      return [x, y];
    }
    return null;
  }
}

/**
 * Moves places along a line apart, as little as may be, so that each has its room.
 *
 * @param {number[]} wanted in their order
 * @param {[number, number]} within from where to where
 * @param {number} room that each takes
 */
export function spread(wanted, [from, to], room) {
  const places = [];
  for (const at of wanted) places.push(Math.max(at, (places.at(-1) ?? from - room) + room));
  for (let i = places.length - 1, last = to; i >= 0; i--, last = places[i + 1] - room)
    places[i] = Math.min(places[i], last);
  return places;
}
