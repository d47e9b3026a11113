// How fast a move plays, drawn as a curve of speed over the moments of the move.
import { s } from '../common/dom.js';
import { trimmed } from '../common/format.js';

const [WIDTH, HEIGHT] = [400, 78];
const [LEFT, RIGHT, TOP, BOTTOM] = [44, 8, 8, 14];
const [SLOWEST, FASTEST] = [0.1, 4];
const REACH_PX = 10;
const FASTER = 1.1; // what one press of an arrow key does to a speed

export class RampDrawing {
  /**
   * @param {{from: number, to: number, points: number[][]}} range points are [frame, speed], or null for an even one
   * @param {() => number[]} hits gives the frames that stay
   */
  constructor(range, hits) {
    this.range = range;
    this.hits = hits;
    this.chosen = null;
    this.abort = new AbortController();
    const { signal } = this.abort;
    this.element = s('svg', {
      class: 'ramp',
      viewBox: `0 0 ${WIDTH} ${HEIGHT}`,
      role: 'group',
      'aria-label': 'Speed over the range: click for a new point, drag it, press Delete to take it away',
      tabindex: 0,
    });
    this.element.addEventListener('pointerdown', (event) => this.press(event), { signal });
    this.element.addEventListener('keydown', (event) => this.key(event), { signal });
    this.draw();
  }

  get points() {
    const { from, to, points } = this.range;
    return (
      points ?? [
        [from, 1],
        [(from + to) / 2, 1],
        [to, 1],
      ]
    );
  }

  set points(points) {
    this.range.points = points;
  }

  x(frame) {
    return LEFT + ((frame - this.range.from) / (this.range.to - this.range.from)) * (WIDTH - LEFT - RIGHT);
  }

  /** Speed on a scale where half and double are equally far from one. */
  y(speed) {
    return (
      TOP + ((Math.log(FASTEST) - Math.log(speed)) / (Math.log(FASTEST) - Math.log(SLOWEST))) * (HEIGHT - TOP - BOTTOM)
    );
  }

  speedAt(y) {
    return Math.exp(
      Math.log(FASTEST) - ((y - TOP) / (HEIGHT - TOP - BOTTOM)) * (Math.log(FASTEST) - Math.log(SLOWEST)),
    );
  }

  frameAt(x) {
    return this.range.from + ((x - LEFT) / (WIDTH - LEFT - RIGHT)) * (this.range.to - this.range.from);
  }

  local(event) {
    const box = this.element.getBoundingClientRect();
    return [((event.clientX - box.left) / box.width) * WIDTH, ((event.clientY - box.top) / box.height) * HEIGHT];
  }

  set(points) {
    this.points = points;
    this.chosen = null;
    this.draw();
  }

  /** Length that the range gets, as a sum of steps; the server computes it exactly. */
  length() {
    let sum = 0;
    for (let i = 1; i < this.points.length; i++) {
      const [[f0, v0], [f1, v1]] = [this.points[i - 1], this.points[i]];
      for (let k = 0; k < 20; k++) {
        const t = (k + 0.5) / 20;
        sum += (f1 - f0) / 20 / (v0 + (v1 - v0) * t * t * (3 - 2 * t));
      }
    }
    return sum;
  }

  draw() {
    const lines = [0.25, 0.5, 1, 2, 4].map((v) =>
      s('path', { class: v === 1 ? 'one' : 'lines', d: `M${LEFT} ${this.y(v).toFixed(1)}H${WIDTH - RIGHT}` }),
    );
    const texts = [0.25, 0.5, 1, 2, 4].map((v) =>
      s('text', { x: LEFT - 9, y: (this.y(v) + 4).toFixed(1), 'text-anchor': 'end', text: `${trimmed(v, 2)}×` }),
    );
    let d = `M${this.x(this.points[0][0]).toFixed(1)} ${this.y(this.points[0][1]).toFixed(1)}`;
    for (let i = 1; i < this.points.length; i++) {
      const [[f0, v0], [f1, v1]] = [this.points[i - 1], this.points[i]];
      const third = (this.x(f1) - this.x(f0)) / 3;
      const stops = [
        [this.x(f0) + third, this.y(v0)],
        [this.x(f1) - third, this.y(v1)],
        [this.x(f1), this.y(v1)],
      ];
      d += `C${stops.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join(' ')}`;
    }
    const hits = this.hits().map((f) =>
      s(
        'path',
        { class: 'hit', d: `M${this.x(f).toFixed(1)} ${TOP}V${HEIGHT - BOTTOM}` },
        s('title', { text: `Hit at ${f} stays put` }),
      ),
    );
    const dots = this.points.map(([f, v], i) =>
      s(
        'circle',
        {
          class: i === this.chosen ? 'point chosen' : 'point',
          cx: this.x(f).toFixed(1),
          cy: this.y(v).toFixed(1),
          r: 5,
        },
        s('title', { text: `${trimmed(v, 2)} × at ${trimmed(f, 1)}` }),
      ),
    );
    const ends = [this.range.from, this.range.to].map((f, i) =>
      s('text', { x: this.x(f).toFixed(1), y: HEIGHT - 2, 'text-anchor': i ? 'end' : 'start', text: f }),
    );
    this.element.replaceChildren(...lines, ...texts, ...hits, s('path', { class: 'speed', d }), ...dots, ...ends);
  }

  press(event) {
    event.preventDefault();
    this.element.focus({ preventScroll: true });
    const [x, y] = this.local(event);
    let i = this.points.findIndex(([f, v]) => Math.hypot(this.x(f) - x, this.y(v) - y) < REACH_PX);
    if (i < 0) {
      const frame = Math.round(this.frameAt(x));
      if (frame <= this.range.from || frame >= this.range.to || this.points.some((p) => p[0] === frame)) return;
      this.points = [...this.points, [frame, this.rounded(this.speedAt(y))]].sort((a, b) => a[0] - b[0]);
      i = this.points.findIndex((p) => p[0] === frame);
    }
    this.chosen = i;
    this.draw();
    this.element.setPointerCapture(event.pointerId);
    const drag = new AbortController();
    this.element.addEventListener('pointermove', (e) => this.move(...this.local(e)), { signal: drag.signal });
    for (const end of ['pointerup', 'pointercancel'])
      this.element.addEventListener(end, () => drag.abort(), { signal: drag.signal });
  }

  rounded(speed) {
    return Math.round(Math.max(SLOWEST, Math.min(FASTEST, speed)) * 100) / 100;
  }

  move(x, y) {
    const i = this.chosen;
    const inner = i > 0 && i < this.points.length - 1;
    const frame = inner
      ? Math.max(this.points[i - 1][0] + 1, Math.min(this.points[i + 1][0] - 1, Math.round(this.frameAt(x))))
      : this.points[i][0];
    this.points = this.points.map((p, n) => (n === i ? [frame, this.rounded(this.speedAt(y))] : p));
    this.draw();
  }

  /** Arrows choose a point and change its speed; Delete takes it away. */
  key(event) {
    const todo = {
      ArrowLeft: () => this.chooseNext(-1),
      ArrowRight: () => this.chooseNext(1),
      ArrowUp: () => this.scaleChosen(FASTER),
      ArrowDown: () => this.scaleChosen(1 / FASTER),
      Delete: () => this.removeChosen(),
      Backspace: () => this.removeChosen(),
    }[event.key];
    if (!todo) return;
    event.preventDefault();
    event.stopPropagation();
    todo();
    this.draw();
  }

  chooseNext(way) {
    const { length } = this.points;
    this.chosen = ((this.chosen ?? -1) + way + length) % length;
  }

  scaleChosen(factor) {
    if (this.chosen === null) return;
    this.points = this.points.map(([f, v], n) => [f, n === this.chosen ? this.rounded(v * factor) : v]);
  }

  /** Takes the chosen point away; the ends stay. */
  removeChosen() {
    if (!this.chosen || this.chosen >= this.points.length - 1) return;
    this.points = this.points.filter((p, n) => n !== this.chosen);
    this.chosen = null;
  }

  dispose() {
    this.abort.abort();
  }
}
