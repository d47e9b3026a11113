// Distances on a scale that grows with them: from a hand's breadth to the horizon, what is farther at its end.

const NICE_M = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500];

export class DepthScale {
  /** @param {number} top where what is infinitely far stands @param {number} foot where the nearest is */
  constructor(nearM, farM, top, foot) {
    this.nearM = nearM;
    this.farM = farM;
    this.top = top;
    this.foot = foot;
  }

  /** Where a distance stands. */
  at(metres) {
    const part = Math.log(Math.min(this.farM, Math.max(this.nearM, metres)) / this.nearM);
    return this.foot - (part / Math.log(this.farM / this.nearM)) * (this.foot - this.top);
  }

  /** The distance that stands there. */
  metres(y) {
    const part = Math.max(0, Math.min(1, (this.foot - y) / (this.foot - this.top)));
    return this.nearM * (this.farM / this.nearM) ** part;
  }

  /** Distances to write beside it. */
  marks() {
    return NICE_M.filter((metres) => metres >= this.nearM && metres < this.farM);
  }
}
