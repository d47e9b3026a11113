// The path of a node: a dot a frame, larger at keys, with tangents, overshoot, speed and ghosts.
import { s } from '../common/dom.js';
import { fixed } from '../common/format.js';
import { handOversOf, isOff, measured, PLACE, POSE, pathName } from '../shot/parts.js';
import { keyFrames } from '../shot/keys.js';
import { valueAt } from '../shot/samples.js';
import { takeable } from './takes.js';

const STEPS = 6; // of the speed's scale
const MOST_POINTS = 2000; // on a plan of some hundred pixels
const SHORTEST_HANDLE_PX = 5;
/** Where the handles of a key stand in its row of a path. @type {[string, number][]} */
const HANDLES = [
  ['in', 1],
  ['out', 7],
];
const MOST_IN_HAND = 40; // keys that can be taken, those nearest to the playhead; more are only drawn

export class PathLayer {
  /** @param plan gives place({x, y, z}): pixels, or null where nothing can be seen */
  constructor(plan) {
    this.plan = plan;
    this.store = plan.store;
    this.desk = plan.desk;
    this.bySpeed = false;
    this.drawnIds = []; // whose paths are drawn
    this.labels = []; // what is said of overshoots
    this.marks = []; // where handles and keys stand, for signs to stand off
    this.follows = false; // whether there are so many keys that those near the playhead are others at each frame
  }

  /** The camera shown and the chosen node. */
  ids() {
    return [...new Set([this.desk.camera, this.desk.selected].filter(Boolean))].filter((id) => this.moves(id));
  }

  moves(id) {
    const motion = this.store.motion.get(id);
    return motion && motion.x.length > 1 && this.store.byId.get(id)?.kind !== 'piece';
  }

  draw() {
    const ids = this.ids();
    this.drawnIds = ids;
    this.labels = [];
    this.follows = ids.some((id) => keyFrames(this.store.byId.get(id), POSE).length > MOST_IN_HAND);
    this.range = this.bySpeed ? this.speeds(ids) : null;
    return [
      ...ids.flatMap((id) => this.ghosts(id)),
      ...ids.flatMap((id) => this.path(id)),
      ...ids.flatMap((id) => this.overshoots(id)),
      ...(this.range ? this.legend() : []),
    ];
  }

  point(state, motion, frame) {
    return this.plan.place({
      x: valueAt(state, motion.x, frame),
      y: valueAt(state, motion.y, frame),
      z: valueAt(state, motion.z, frame),
    });
  }

  /** Frames from one drawn point to the next: every one, unless there are more than can be told apart. */
  stride() {
    return Math.ceil((this.desk.last() - this.desk.first() + 1) / MOST_POINTS);
  }

  /** The screen places of the frames of the range, a stride apart. */
  points(state, motion, stride = this.stride()) {
    const points = [];
    for (let frame = this.desk.first(); frame <= this.desk.last(); frame += stride)
      points.push(this.point(state, motion, frame));
    return points;
  }

  /** What was before the drag, and the version compared with, dashed. */
  ghosts(id) {
    const parts = [];
    for (const [state, name] of [
      [this.store.before, 'before'],
      ...this.store.ghosts.map((ghost) => [ghost, 'version']),
    ]) {
      const motion = state?.motion.get(id);
      if (!motion || motion.x.length === 1 || motion === this.store.motion.get(id)) continue;
      parts.push(s('path', { class: `ghost ${name}`, d: line(this.points(state, motion)) }));
    }
    return parts;
  }

  path(id) {
    const motion = this.store.motion.get(id);
    const points = this.points(this.store, motion);
    const [first, stride] = [this.desk.first(), this.stride()];
    const leaps = stride === 1 ? this.leaps(id).map(({ to }) => to - first) : [];
    const d = line(points, new Set(leaps));
    const dots = Array.from({ length: this.range ? STEPS : 1 }, () => '');
    points.forEach((p, i) => {
      if (p) dots[this.step(motion, first + i * stride)] += `M${at(p)}h0`;
    });
    const parts = [s('path', { class: 'path', d }), ...this.jumps(id, motion)];
    // round caps of lines without length are the dots: one element for all of a colour
    dots.forEach((each, i) => {
      if (each) parts.push(s('path', { class: this.range ? `dots speed-${i}` : 'dots', d: each }));
    });
    const drags = id === this.desk.selected ? ', drag to move the whole path' : '';
    const says = `Click to go to this frame${drags}`;
    parts.push(s('path', { class: 'reach', d, ...takeable('path', id) }, s('title', { text: says })));
    return parts;
  }

  /** The hand-overs at which a node, or what carries it, jumps: each with the first frame after it. */
  leaps(id) {
    return [this.store.byId.get(id), ...this.store.carriersOf(id)].flatMap((node) =>
      handOversOf(node)
        .filter(({ offset, frame }) => offset && frame > this.desk.first() && frame <= this.desk.last())
        .map(({ frame, node: carrier }) => ({ node, carrier, frame, to: Math.ceil(frame) })),
    );
  }

  /** Dashed, where the path does not go on. */
  jumps(id, motion) {
    return this.leaps(id).flatMap(({ node, carrier, frame, to }) => {
      const from = this.point(this.store, motion, to - 1);
      const end = this.point(this.store, motion, to);
      if (!from || !end) return [];
      const by = this.store.byId.get(carrier)?.name ?? 'the world';
      const text = `${node.name} jumps as it is handed over to ${by} at ${frame}`;
      return [s('path', { class: 'jump', d: `M${at(from)}L${at(end)}` }, s('title', { text }))];
    });
  }

  /** What of the paths can be taken in hand: handles of the chosen node, and keys. */
  hands() {
    this.marks = [];
    return this.drawnIds.flatMap((id) => [
      ...(id === this.desk.selected ? this.handles(id, this.store.motion.get(id)) : []),
      ...this.keys(id),
    ]);
  }

  keys(id) {
    const motion = this.store.motion.get(id);
    const node = this.store.byId.get(id);
    const parts = [];
    const first = this.desk.first();
    const upright = this.plan.side === '3D' ? ', with Shift up and down' : '';
    const keys = isOff(node, 'keys')
      ? []
      : keyFrames(node, POSE).filter((key) => key.frame >= first && key.frame <= this.desk.last());
    const reach = this.reach(keys.map((key) => key.frame));
    let far = '';
    for (const key of keys) {
      const p = this.point(this.store, motion, key.frame);
      if (!p) continue;
      if (Math.abs(key.frame - this.desk.frame) > reach) {
        far += `M${at(p)}h0`;
        continue;
      }
      const place = key.channels.some((c) => PLACE.includes(c));
      this.marks.push(p);
      const title = place
        ? `${node.name}, key at ${key.frame}: drag to move it${upright}`
        : `${node.name}, key at ${key.frame}`;
      parts.push(
        s(
          'circle',
          {
            class: this.desk.chosen.hasAny(id, PLACE, key.frame) ? 'key chosen' : 'key',
            cx: p[0].toFixed(1),
            cy: p[1].toFixed(1),
            r: 4.2,
            ...(place ? takeable('key', `${id} ${key.frame}`) : {}),
          },
          s('title', { text: title }),
        ),
      );
    }
    if (far) parts.push(s('path', { class: 'far-keys', d: far }));
    return parts;
  }

  /** How far from the playhead keys can still be taken, so that there are not too many of them. */
  reach(frames) {
    const distances = frames.map((f) => Math.abs(f - this.desk.frame)).sort((a, b) => a - b);
    return distances.length > MOST_IN_HAND ? distances[MOST_IN_HAND - 1] : Infinity;
  }

  /** The tangents in space at the keys of the chosen node. */
  handles(id, motion) {
    const path = motion.path ?? [];
    const parts = [];
    const reach = this.reach(Array.from({ length: path.length / 10 }, (_, i) => path[i * 10]));
    for (let i = 0; i + 9 < path.length; i += 10) {
      const frame = path[i];
      if (Math.abs(frame - this.desk.frame) > reach) continue;
      const key = this.plan.place(vector(path, i + 4));
      for (const [side, from] of HANDLES) {
        const end = this.plan.place(vector(path, i + from));
        if (!key || !end || Math.hypot(end[0] - key[0], end[1] - key[1]) < SHORTEST_HANDLE_PX) continue;
        this.marks.push(end);
        parts.push(
          s('path', { class: 'tangent', d: `M${at(key)}L${at(end)}` }),
          s(
            'rect',
            {
              class: 'handle',
              x: (end[0] - 3.5).toFixed(1),
              y: (end[1] - 3.5).toFixed(1),
              width: 7,
              height: 7,
              ...takeable('handle', `${id} ${frame} ${side}`),
            },
            s('title', { text: `Tangent of the key at ${frame}: drag it, Alt for this side alone` }),
          ),
        );
      }
    }
    return parts;
  }

  /** Where a curve swings past its keys, with the amount. */
  overshoots(id) {
    const motion = this.store.motion.get(id);
    return this.desk.overshootsOf(id).flatMap(([channel, frame, , amount]) => {
      const p = this.point(this.store, motion, frame);
      if (!p) return [];
      const node = this.store.byId.get(id);
      const name = pathName(node, channel);
      const size = measured(node, channel, Math.abs(amount));
      const text = `${name} ${amount > 0 ? '+' : '−'}${size}`;
      this.labels.push({ x: p[0] + 8, y: p[1] + 4, text, over: true, first: true });
      return [
        s(
          'path',
          { class: 'overshoot', d: 'M0 -5.5L5.5 0L0 5.5L-5.5 0Z', transform: `translate(${at(p)})` },
          s('title', {
            text: `${this.store.byId.get(id).name} ${name} swings ${size} past its keys at frame ${fixed(frame, 1)}`,
          }),
        ),
      ];
    });
  }

  speeds(ids) {
    let low = Infinity;
    let high = -Infinity;
    for (const id of ids) {
      const { pace } = this.store.motion.get(id);
      for (let frame = this.desk.first(); frame <= this.desk.last(); frame++) {
        const v = valueAt(this.store, pace, frame);
        low = Math.min(low, v);
        high = Math.max(high, v);
      }
    }
    return low <= high ? { low, high } : null;
  }

  step(motion, frame) {
    if (!this.range) return 0;
    const { low, high } = this.range;
    return Math.min(
      STEPS - 1,
      Math.floor(((valueAt(this.store, motion.pace, frame) - low) / (high - low || 1)) * STEPS),
    );
  }

  legend() {
    const { low, high } = this.range;
    const [, h] = this.plan.size;
    const left = 130;
    const boxes = Array.from({ length: STEPS }, (_, i) =>
      s('rect', { class: `speed-${i}`, x: left + i * 16, y: h - 18, width: 16, height: 7 }),
    );
    return [
      s('rect', { class: 'legend', x: left - 8, y: h - 38, width: STEPS * 16 + 102, height: 34, rx: 4 }),
      ...boxes,
      s('text', { class: 'halo', x: left, y: h - 22, text: `${fixed(low, 2)} slow` }),
      s('text', { class: 'halo', x: left + STEPS * 16 + 6, y: h - 11, text: `fast ${fixed(high, 2)} m/s` }),
    ];
  }

  /** The frame of a path whose dot is nearest to a point of the screen. */
  nearestFrame(id, [px, py]) {
    let best = this.desk.frame;
    let least = Infinity;
    this.points(this.store, this.store.motion.get(id), 1).forEach((p, i) => {
      const far = p ? Math.hypot(p[0] - px, p[1] - py) : Infinity;
      if (far < least) {
        least = far;
        best = this.desk.first() + i;
      }
    });
    return best;
  }
}

const at = ([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`;

const vector = (numbers, i) => ({ x: numbers[i], y: numbers[i + 1], z: numbers[i + 2] });

/** @param {Set<number>} [breaks] points to which no line leads */
function line(points, breaks = new Set()) {
  let d = '';
  let pen = false;
  points.forEach((p, i) => {
    if (p) d += `${pen && !breaks.has(i) ? 'L' : 'M'}${at(p)}`;
    pen = Boolean(p);
  });
  return d;
}
