// Where frames stand in the score: a stretch of time over a width in pixels, zoomed and slid.

/** Measures in pixels. */
const LEFT = 224; // where the first frame stands, unless it is lined up with another ruler
const NAMES_GAP = 18; // between names and the first frame, so that its bead has room
export const BAR = 8; // the bar of the whole shot above the ruler
export const RULER = 34;
export const ROW = 26;
const RIGHT_GAP = 16;
const LEAST_FRAMES = 6;

export class ScoreScale {
  constructor() {
    this.width = 100;
    this.whole = [0, 100];
    this.left = LEFT; // where the first frame in sight stands
    this.end = null; // where the last one does, if it is lined up
    this.from = 0;
    this.to = 100;
  }

  /** Takes the ends of the shot; what showed all of it still does. */
  setWhole(first, last) {
    const all = this.showsAll;
    const same = this.whole[0] === first && this.whole[1] === last;
    this.whole = [first, Math.max(first + 1, last)];
    if (all || this.to < first || this.from > last) this.fit();
    else if (!same) this.look(this.from, this.to);
  }

  get showsAll() {
    return this.from <= this.whole[0] && this.to >= this.whole[1];
  }

  /** Shows all of the shot. */
  fit() {
    [this.from, this.to] = this.whole;
  }

  /** Where names end. */
  get names() {
    return this.left - NAMES_GAP;
  }

  /** Lines the ends of what is in sight up with pixels; without any, they stand as they usually do. */
  setEdges(left = LEFT, end = null) {
    this.left = left;
    this.end = end;
  }

  get span() {
    return this.to - this.from;
  }

  get room() {
    return Math.max(1, this.right - this.left);
  }

  get perFrame() {
    return this.room / this.span;
  }

  get right() {
    return this.end ?? this.width - RIGHT_GAP;
  }

  x(frame) {
    return this.left + (frame - this.from) * this.perFrame;
  }

  frameAt(x) {
    return this.from + (x - this.left) / this.perFrame;
  }

  isIn(frame, air = 0) {
    return frame >= this.from - air && frame <= this.to + air;
  }

  /** Shows a stretch, moved into the shot where it leaves it. */
  look(from, to) {
    const [first, last] = this.whole;
    const span = Math.min(last - first, Math.max(LEAST_FRAMES, to - from));
    const start = Math.max(first, Math.min(last - span, from));
    [this.from, this.to] = [start, start + span];
  }

  /** @param {number} factor below 1 shows less @param {number} about the frame that stays where it is */
  zoom(factor, about) {
    const span = Math.min(this.whole[1] - this.whole[0], Math.max(LEAST_FRAMES, this.span * factor));
    const share = (about - this.from) / this.span;
    this.look(about - share * span, about - share * span + span);
  }

  slide(frames) {
    this.look(this.from + frames, this.to + frames);
  }

  /** The same text as long as everything stands where it stood. */
  get signature() {
    return `${this.width} ${this.left} ${this.right} ${this.from} ${this.to}`;
  }

  /** Pixels on the bar, which shows the whole shot. */
  barX(frame) {
    const [first, last] = this.whole;
    return this.left + ((frame - first) / (last - first)) * this.room;
  }

  barFrames(pixels) {
    return (pixels / this.room) * (this.whole[1] - this.whole[0]);
  }
}
