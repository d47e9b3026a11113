// The plan: the set to scale from above, from the side, or from outside, with what the lens does on it.
import { drawSoon } from '../common/draw-soon.js';
import { carrierOf, partOf } from '../shot/parts.js';
import { hold, s } from '../common/dom.js';
import { Outside } from './outside.js';
import { isResized, sizeOf } from '../shot/looks.js';
import { copies } from './copies.js';
import { forward, isFlat, outline } from './outline.js';
import { anchorsOf, pointsAlong } from '../shot/rails.js';
import { axisOf, axisRing } from './axis-ring.js';
import { partSigns } from './part-signs.js';
import { drawnSoFar, railHands, railLines } from './rail-layer.js';
import { PathLayer } from './path-layer.js';
import { outOf } from '../shot/samples.js';
import { seenBy, spreadAt } from '../shot/seen.js';
import { camera, frustum, handle, nulls, view } from './plan-camera.js';
import { LARGEST_LABELLED_M, names, placed, scaleBar } from './plan-labels.js';
import { PlanGestures } from './plan-gestures.js';
import { takeable } from './takes.js';

/** @type {WeakMap<number[][], number>} */
const extents = new WeakMap();

/** How wide an outline is. */
function extent(points) {
  if (!extents.has(points)) {
    const across = points.map((p) => p[0]);
    extents.set(points, Math.max(...across) - Math.min(...across));
  }
  return extents.get(points);
}

export class Plan {
  constructor(store, desk, { svg, canvas }) {
    this.store = store;
    this.desk = desk;
    this.svg = svg;
    this.canvas = canvas;
    this.side = 'above';
    this.centre = [0, 0];
    this.metresPerPixel = 0.08;
    this.outlines = new Map();
    this.copied = new Map(); // outlines of copies
    this.grounds = new WeakMap(); // by mesh
    this.kept = new Map(); // pieces as they were drawn last
    this.abort = new AbortController();
    const { signal } = this.abort;
    this.set = s('g');
    this.under = s('g');
    this.over = s('g');
    this.hands = s('g');
    svg.append(this.set, this.under, this.over, this.hands);
    this.layer = new PathLayer(this);
    this.gestures = new PlanGestures(this, signal);
    store.addEventListener('shot', () => this.ask('all'), { signal });
    for (const name of ['motion', 'ghost', 'pictures']) store.addEventListener(name, () => this.ask('all'), { signal });
    store.addEventListener(
      'meshes',
      () => {
        this.outlines.clear();
        this.outside?.sync();
        this.ask('all');
      },
      { signal },
    );
    desk.addEventListener('frame', () => this.ask(this.isOtherAt(desk.frame) ? 'all' : 'over'), { signal });
    desk.addEventListener('live', () => this.ask(this.side === '3D' ? 'all' : 'over'), { signal });
    for (const name of ['selection', 'keys', 'layout']) desk.addEventListener(name, () => this.ask('all'), { signal });
    this.measure();
    this.observer = new ResizeObserver(() => {
      this.measure();
      this.ask('all');
    });
    this.observer.observe(svg);
  }

  ask(what) {
    this.wanted = this.wanted === 'all' ? 'all' : what;
    if (this.asked) return;
    this.asked = true;
    drawSoon(this.svg, () => {
      this.asked = false;
      const all = this.wanted === 'all';
      this.wanted = null;
      if (this.store.header) this.draw(all);
    });
  }

  measure() {
    this.size = [this.svg.clientWidth, this.svg.clientHeight];
    this.outside?.resize(this.size);
  }

  /** Pixels of a place in the world, or null where it cannot be seen. */
  place(p) {
    return this.side === '3D' ? this.outside.place(p) : this.toScreen(this.plane(p));
  }

  /** How far a drag by pixels moves what is at a place of the world, in metres. */
  drag(p, [dx, dy], upright) {
    if (this.side === '3D') return this.outside.drag(p, [dx, dy], upright);
    const a = dx * this.metresPerPixel;
    const b = dy * this.metresPerPixel;
    return this.side === 'above' ? { dx: a, dy: 0, dz: b } : { dx: 0, dy: -b, dz: a };
  }

  /** Coordinates in the plane of a place in the world. From the side, up is up. @returns {[number, number]} */
  plane(pose) {
    return this.side === 'above' ? [pose.x, pose.z] : [pose.z, pose.y];
  }

  /** @returns {[number, number]} */
  toScreen([a, b]) {
    const [w, h] = this.size;
    const up = this.side === 'above' ? 1 : -1;
    return [
      w / 2 + (a - this.centre[0]) / this.metresPerPixel,
      h / 2 + (up * (b - this.centre[1])) / this.metresPerPixel,
    ];
  }

  /** @returns {[number, number]} */
  fromScreen([x, y]) {
    const [w, h] = this.size;
    const up = this.side === 'above' ? 1 : -1;
    return [
      this.centre[0] + (x - w / 2) * this.metresPerPixel,
      this.centre[1] + up * (y - h / 2) * this.metresPerPixel,
    ];
  }

  /** Fits the camera's path and what it focuses on. */
  fit() {
    const id = this.desk.camera;
    const motion = id && this.store.motion.get(id);
    if (!motion) return;
    if (this.side === '3D') {
      this.outside.frameOn(this.interest(id, motion));
      this.ask('all');
      return;
    }
    const points = [];
    const step = Math.max(1, Math.floor(motion.x.length / 60));
    for (let i = 0; i < motion.x.length; i += step)
      points.push(this.side === 'above' ? [motion.x[i], motion.z[i]] : [motion.z[i], motion.y[i]]);
    for (const frame of [this.desk.first(), this.desk.frame, this.desk.last()]) {
      const pose = this.store.pose(id, frame);
      const lens = this.store.lens(id, frame);
      const look = forward(pose, this.side);
      const [a, b] = this.plane(pose);
      const far = Math.min(lens.focusM, 30) * 1.35;
      const seen = seenBy(lens);
      const wide = spreadAt(seen, far) * seen.across;
      for (const aside of [-wide, wide])
        points.push([a + look.a * far - look.b * aside, b + look.b * far + look.a * aside]);
    }
    this.frameOn(points, 1.2, 9);
  }

  /** Places of the path, and of what is in focus from its ends. */
  interest(id, motion) {
    const points = [];
    const step = Math.max(1, Math.floor(motion.x.length / 30));
    for (let frame = this.desk.first(); frame <= this.desk.last(); frame += step)
      points.push(this.store.pose(id, frame));
    for (const frame of [this.desk.first(), this.desk.last()]) {
      const [pose, lens] = [this.store.pose(id, frame), this.store.lens(id, frame)];
      points.push(outOf(pose, [0, 0, -Math.min(lens.focusM, 15)]));
    }
    return points;
  }

  frameOn(points, air, least) {
    const [w, h] = this.size;
    const a = points.map((p) => p[0]);
    const b = points.map((p) => p[1]);
    const [a0, a1, b0, b1] = [Math.min(...a), Math.max(...a), Math.min(...b), Math.max(...b)];
    this.centre = [(a0 + a1) / 2, (b0 + b1) / 2];
    this.metresPerPixel = Math.max((Math.max(a1 - a0, least) * air) / w, (Math.max(b1 - b0, least) * air) / h);
    this.ask('all');
  }

  centreOnSelection() {
    if (this.desk.node?.kind === 'rail') {
      this.frameOnRail(this.desk.node);
      return;
    }
    const pose = this.desk.selected && this.store.pose(this.desk.selected, this.desk.frame);
    if (!pose) return;
    if (this.side === '3D') this.outside.target.set(pose.x, pose.y, pose.z);
    else this.centre = this.plane(pose);
    this.ask('all');
  }

  /** A rail is seen as a whole. */
  frameOnRail(node) {
    const points = pointsAlong(node, anchorsOf(this.store, node, this.desk.frame)).map(([x, y, z]) => ({ x, y, z }));
    if (!points.length) return;
    if (this.side === '3D') this.outside.frameOn(points);
    else
      this.frameOn(
        points.map((p) => this.plane(p)),
        1.3,
        3,
      );
    this.ask('all');
  }

  setSide(side) {
    this.side = side;
    if (side === '3D') this.openOutside();
    this.canvas.hidden = side !== '3D';
    this.svg.parentElement.dataset.side = side;
    this.outlines.clear();
    this.fit();
  }

  openOutside() {
    if (!this.outside) {
      this.outside = new Outside(this.store, this.desk, this.canvas);
      this.outside.sync();
    }
    this.outside.resize(this.size);
    this.outside.aim();
  }

  draw(all) {
    if (this.side === '3D') {
      this.drawOutside();
      return;
    }
    if (all) {
      hold(this.set, [...this.lines(), ...this.pieces()]);
      this.under.replaceChildren(...railLines(this), ...this.layer.draw());
      this.hands.replaceChildren(...this.layer.hands(), ...railHands(this), ...drawnSoFar(this));
    }
    this.drawOver();
    this.gestures.showTake();
  }

  /** Whether more than what moves is drawn otherwise at another frame: something appears, or all of it turns. */
  isOtherAt(frame) {
    const { store } = this;
    const some = store.nodes.some((node) => partOf(node, 'visible'));
    const gone = some ? store.nodes.filter((node) => store.isHidden(node, frame)).map((node) => node.id) : [];
    const other = gone.join() !== this.gone;
    this.gone = gone.join();
    return other || this.side === '3D' || this.layer.follows;
  }

  /** From outside the solids are rendered; what is drawn over them is projected. */
  drawOutside() {
    this.outside.draw();
    this.set.replaceChildren();
    this.movingParts = [];
    const labels = [];
    const frusta = this.store
      .cameras()
      .filter((c) => !this.store.isHidden(c, this.desk.frame))
      .flatMap((c) => frustum(this, c, labels));
    this.under.replaceChildren(...frusta, ...railLines(this), ...this.layer.draw());
    this.hands.replaceChildren(...this.layer.hands(), ...railHands(this));
    this.over.replaceChildren(...partSigns(this), ...axisRing(this), ...placed(this, labels));
  }

  /** The lines of the ground, a grid in metres; as they were drawn last, where they are the same. */
  lines() {
    const [w, h] = this.size;
    const step = [0.5, 1, 2, 5, 10, 20, 50, 100, 200].find((m) => m / this.metresPerPixel >= 24) ?? 500;
    const [a0, b0] = this.fromScreen([0, 0]);
    const [a1, b1] = this.fromScreen([w, h]);
    let d = '';
    for (let a = Math.ceil(a0 / step) * step; a <= a1; a += step) d += `M${this.toScreen([a, 0])[0].toFixed(1)} 0V${h}`;
    for (let b = Math.ceil(Math.min(b0, b1) / step) * step; b <= Math.max(b0, b1); b += step)
      d += `M0 ${this.toScreen([0, b])[1].toFixed(1)}H${w}`;
    if (this.ground?.getAttribute('d') !== d) this.ground = s('path', { class: 'lines', d });
    return [this.ground];
  }

  /** The outline of a piece in the plane of the plan; the one before, as long as the piece stands as it did. */
  shape(node) {
    const mesh = this.store.meshes.get(node.id);
    const motion = this.store.motion.get(node.id);
    if (!mesh || !motion) return null;
    const moves = motion.x.length + motion.qw.length > 2 || isResized(this.store, node);
    const frame = moves ? this.desk.frame : null;
    const known = this.outlines.get(node.id);
    if (known && known.mesh === mesh && known.motion === motion && known.frame === frame) return known.points;
    const points = outline(
      mesh,
      this.store.pose(node.id, this.desk.frame),
      this.side,
      sizeOf(this.store, node, this.desk.frame),
    );
    this.outlines.set(node.id, { mesh, motion, frame, points });
    return points;
  }

  pieces() {
    const parts = [];
    this.movingParts = [];
    const shown = this.store.nodes
      .filter((n) => n.kind === 'piece' && !this.store.isHidden(n, this.desk.frame))
      .map((node) => ({ node, points: this.shape(node) }))
      .filter((p) => p.points?.length);
    shown.sort((p, q) => extent(q.points) - extent(p.points));
    const family = this.family();
    const look = [this.side, this.metresPerPixel, ...this.centre, ...this.size].join();
    for (const { node, points } of shown) {
      const part = this.piece(node, points, family.has(node.id), look);
      parts.push(...copies(this, node), part);
      if ((this.store.motion.get(node.id)?.x.length ?? 1) > 1) this.movingParts.push({ node, part });
    }
    return parts;
  }

  /** A piece: the element drawn before, if all that it shows is still the same. */
  piece(node, points, chosen, look) {
    const from = [node, points, chosen, look];
    const known = this.kept.get(node.id);
    if (known && known.from.every((value, i) => value === from[i])) return known.part;
    const big = extent(points) > LARGEST_LABELLED_M;
    const part = s('path', {
      class: chosen ? 'piece chosen' : 'piece',
      d: this.closed(points),
      'fill-opacity': big ? 0.1 : undefined,
      ...takeable(this.isGround(node) ? 'ground' : 'piece', node.id),
    });
    part.style.setProperty('--c', node.finish.colour);
    this.kept.set(node.id, { from, part });
    return part;
  }

  /** What lies under everything: water, and what is wide and flat. */
  isGround(node) {
    const mesh = this.store.meshes.get(node.id);
    if (node.finish.kind === 'water') return true;
    if (!this.grounds.has(mesh)) this.grounds.set(mesh, isFlat(mesh));
    return this.grounds.get(mesh);
  }

  closed(points) {
    return `M${points
      .map((p) =>
        this.toScreen(p)
          .map((v) => v.toFixed(1))
          .join(' '),
      )
      .join('L')}Z`;
  }

  /** The selected nodes and all that they carry. */
  family() {
    const family = new Set(this.desk.selection());
    for (let grown = true; grown; ) {
      grown = false;
      for (const node of this.store.nodes)
        if (!family.has(node.id) && family.has(carrierOf(node))) {
          family.add(node.id);
          grown = true;
        }
    }
    return family;
  }

  drawOver() {
    for (const { node, part } of this.movingParts) part.setAttribute('d', this.closed(this.shape(node) ?? []));
    const labels = [];
    const shown = this.store.cameras().filter((c) => !this.store.isHidden(c, this.desk.frame));
    this.over.replaceChildren(
      ...shown.flatMap((c) => view(this, c, labels)),
      ...nulls(this, labels),
      ...shown.flatMap((c) => camera(this, c, labels)),
      ...partSigns(this),
      ...(axisOf(this.desk.node) ? axisRing(this) : handle(this)),
      ...names(this, labels),
      ...scaleBar(this),
    );
  }

  dispose() {
    this.abort.abort();
    this.observer.disconnect();
    this.outside?.dispose();
  }
}
