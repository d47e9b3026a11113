// Hands on the time of the score: scrubbing, the range that is looped, zooming and sliding.
import { follow } from '../common/follow.js';
import { BAR } from './score-scale.js';

const WHEEL_ZOOM = 0.0022;
const EDGE_PX = 12;

export class ScoreTimeHands {
  constructor(score) {
    this.score = score;
    this.desk = score.desk;
    this.svg = score.svg;
    this.svg.addEventListener('wheel', (event) => this.wheel(event), { passive: false });
  }

  get scale() {
    return this.score.scale;
  }

  x(event) {
    return event.clientX - this.svg.getBoundingClientRect().left;
  }

  /** A whole frame of the shot below the pointer. */
  frame(event) {
    const frame = Math.round(this.scale.frameAt(this.x(event)));
    return Math.max(this.desk.first(), Math.min(this.desk.last(), frame));
  }

  /** Takes a press that is about time; false if it is not. */
  press(event) {
    const { bar, ruler } = event.target.dataset;
    if (bar) this.pressBar(event, bar);
    else if (ruler && event.shiftKey) this.pressRange(event);
    else if (ruler && this.edge(event)) this.pressEdge(event, this.edge(event));
    else return false;
    return true;
  }

  scrub(event) {
    this.desk.chooseKeys(null);
    const go = (e) => this.desk.goTo(this.frame(e));
    go(event);
    follow(this.svg, event, go);
  }

  /** Shift and a drag on the ruler say what is looped. */
  pressRange(event) {
    const start = this.frame(event);
    const set = (e) => {
      const end = this.frame(e);
      this.desk.setRange({ from: Math.min(start, end), to: Math.max(start, end) });
    };
    const end = (e) => (this.frame(e) === start ? this.desk.setRange(null) : set(e));
    follow(this.svg, event, set, end, () => {});
  }

  /** Which end of the ruler a press is at. */
  edge(event) {
    const x = this.x(event);
    const { left, right } = this.scale;
    if (x >= left - 2 && x < left + EDGE_PX / 2) return 'from';
    return x > right - EDGE_PX / 2 ? 'to' : null;
  }

  /** Drags an end of the ruler: the frames between it and the other end get more or less room. */
  pressEdge(event, side) {
    const start = this.x(event);
    const span = this.scale.span;
    const [from, to] = [this.scale.from, this.scale.to];
    follow(this.svg, event, (e) => {
      const pulled = side === 'from' ? this.x(e) - start : start - this.x(e);
      const next = span * Math.exp(pulled / (this.scale.room / 3));
      this.scale.look(side === 'from' ? to - next : from, side === 'from' ? to : from + next);
      this.score.rescaled();
    });
  }

  pressBar(event, side) {
    const start = this.x(event);
    const [from, to] = [this.scale.from, this.scale.to];
    follow(this.svg, event, (e) => {
      const by = this.scale.barFrames(this.x(e) - start);
      const [a, b] = [side === 'to' ? from : from + by, side === 'from' ? to : to + by];
      this.scale.look(Math.min(a, to - 1), Math.max(b, from + 1));
      this.score.rescaled();
    });
  }

  /** Over the ruler, or with Ctrl (which is what a pinch sends), the wheel zooms; sideways or with Shift it slides. */
  wheel(event) {
    const over = event.offsetY - this.score.above < BAR + 26;
    if (event.ctrlKey || (over && !event.shiftKey && event.deltaY)) {
      this.scale.zoom(Math.exp(event.deltaY * WHEEL_ZOOM), this.scale.frameAt(this.x(event)));
    } else if (event.shiftKey || event.deltaX) {
      this.scale.slide((event.deltaX || event.deltaY) / this.scale.perFrame);
    } else {
      return;
    }
    event.preventDefault();
    this.score.rescaled();
  }
}
