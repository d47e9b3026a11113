// Where frames and values stand in the graph: one scale of time, and for each pane one of values for every axis.

const LEAST_FRAMES = 4;
const LEAST_SPAN = 1e-6;
const AIR = 1.25;
export const AXIS_PX = 46;
export const RULER_PX = 24;
const RIGHT_PX = 14;
const NAMES_PX = 66;
const MOST_NAMES_PX = 130;
const NAME_LETTER_PX = 6.2;
const PANE_GAP = 10;

/** Steps of 1, 2 or 5 times a power of ten. */
export function niceStep(least) {
  const power = 10 ** Math.floor(Math.log10(least));
  return [1, 2, 5, 10].map((n) => n * power).find((n) => n >= least * 0.999999);
}

export class GraphScale {
  constructor() {
    this.width = 100;
    this.height = 100;
    this.frames = [0, 100];
    this.panes = [{ name: 'value', share: 1, top: 0, height: 100, axes: new Map() }];
    this.axisCount = 1;
    this.namesBeside = true; // whether there is room for names at the right of the curves
    this.namesPx = NAMES_PX; // and how much
  }

  /** Makes room for names at the right of the curves. @param {string[]} names */
  makeRoom(names) {
    const longest = Math.max(0, ...names.map((name) => name.length));
    this.namesPx = Math.max(NAMES_PX, Math.min(MOST_NAMES_PX, longest * NAME_LETTER_PX + 10));
  }

  get left() {
    return Math.max(1, this.axisCount) * AXIS_PX;
  }

  get right() {
    return this.width - (this.namesBeside ? this.namesPx : RIGHT_PX);
  }

  get perFrame() {
    return (this.right - this.left) / (this.frames[1] - this.frames[0]);
  }

  x(frame) {
    return this.left + (frame - this.frames[0]) * this.perFrame;
  }

  frame(x) {
    return this.frames[0] + (x - this.left) / this.perFrame;
  }

  /** Sets which panes there are, below one another. */
  setPanes(names) {
    const known = new Map(this.panes.map((p) => [p.name, p]));
    this.panes = names.map((name) => known.get(name) ?? { name, axes: new Map() });
    this.layOut();
  }

  layOut() {
    const room = this.height - RULER_PX - PANE_GAP * (this.panes.length - 1);
    const shares = this.panes.map((p, i) => (i === 0 && this.panes.length > 1 ? 1.7 : 1));
    const whole = shares.reduce((a, b) => a + b, 0);
    let top = RULER_PX;
    this.panes.forEach((pane, i) => {
      pane.top = top;
      pane.height = (room * shares[i]) / whole;
      top += pane.height + PANE_GAP;
    });
  }

  pane(name) {
    return this.panes.find((p) => p.name === name);
  }

  paneAt(y) {
    return this.panes.find((p) => y >= p.top && y <= p.top + p.height) ?? null;
  }

  axis(pane, name) {
    if (!pane.axes.has(name)) pane.axes.set(name, { centre: 0, span: 1 });
    return pane.axes.get(name);
  }

  y(pane, name, value) {
    const { centre, span } = this.axis(pane, name);
    return pane.top + pane.height / 2 - ((value - centre) / span) * pane.height;
  }

  value(pane, name, y) {
    const { centre, span } = this.axis(pane, name);
    return centre + ((pane.top + pane.height / 2 - y) / pane.height) * span;
  }

  /** The same text as long as everything on an axis of a pane stands where it stood. */
  signature(pane, name) {
    const { centre, span } = this.axis(pane, name);
    return [...this.frames, this.right, this.left, pane.top, pane.height, centre, span].join();
  }

  /** What one pixel upwards is worth. */
  perPixel(pane, name) {
    return this.axis(pane, name).span / pane.height;
  }

  fitFrames(from, to) {
    const air = Math.max(LEAST_FRAMES, to - from) * 0.03;
    this.frames = [from - air, Math.max(from + LEAST_FRAMES, to) + air];
  }

  /** @param bounds by axis: [low, high] */
  fitValues(pane, bounds) {
    for (const [name, [low, high]] of bounds) {
      const span = Math.max(high - low, LEAST_SPAN * Math.max(1, Math.abs(low)));
      pane.axes.set(name, { centre: (low + high) / 2, span: high - low < 1e-9 ? 1 : span * AIR });
    }
  }

  zoomFrames(factor, x) {
    const about = this.frame(x);
    const next = this.frames.map((f) => about + (f - about) * factor);
    if (next[1] - next[0] >= LEAST_FRAMES && next[1] - next[0] < 1e5) this.frames = next;
  }

  /** @param only the axis, or null for all of the pane */
  zoomValues(pane, factor, y, only = null) {
    for (const [name, axis] of pane.axes) {
      if (only && name !== only) continue;
      const about = this.value(pane, name, y);
      axis.span *= factor;
      axis.centre = about + (axis.centre - about) * factor;
    }
  }

  pan(pane, dx, dy, only = null) {
    if (!only) this.frames = this.frames.map((f) => f - dx / this.perFrame);
    for (const [name, axis] of pane.axes) if (!only || name === only) axis.centre += (dy / pane.height) * axis.span;
  }
}
