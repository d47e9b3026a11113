// The plan: the set to scale from above, from the side, or from outside, with what the lens does on it.
import { carrierOf } from '../shot/parts.js';
import { s } from '../common/dom.js';
import { lengthRange, lengthText } from '../common/units.js';
import { Outside } from './outside.js';
import { forward, outline } from './outline.js';
import { partSigns } from './part-signs.js';
import { PathLayer } from './path-layer.js';
import { PlanGestures } from './plan-gestures.js';

const LARGEST_LABELLED_M = 80;
const HANDLE_PX = 34;
const MOST_SHARP_M = 400;

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
    this.abort = new AbortController();
    const { signal } = this.abort;
    this.under = s('g');
    this.over = s('g');
    svg.append(this.under, this.over);
    this.layer = new PathLayer(this);
    this.gestures = new PlanGestures(this, signal);
    store.addEventListener('shot', () => this.ask('all'), { signal });
    for (const name of ['motion', 'ghost']) store.addEventListener(name, () => this.ask('all'), { signal });
    store.addEventListener(
      'meshes',
      () => {
        this.outlines.clear();
        this.outside?.sync();
        this.ask('all');
      },
      { signal },
    );
    desk.addEventListener('frame', () => this.ask(this.side === '3D' || this.layer.follows ? 'all' : 'over'), {
      signal,
    });
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
    requestAnimationFrame(() => {
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

  /** Coordinates in the plane of a place in the world. From the side, up is up. */
  plane(pose) {
    return this.side === 'above' ? [pose.x, pose.z] : [pose.z, pose.y];
  }

  toScreen([a, b]) {
    const [w, h] = this.size;
    const up = this.side === 'above' ? 1 : -1;
    return [
      w / 2 + (a - this.centre[0]) / this.metresPerPixel,
      h / 2 + (up * (b - this.centre[1])) / this.metresPerPixel,
    ];
  }

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
      const wide = far * Math.tan((lens.horizontalDeg * Math.PI) / 360);
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
      const look = ahead(pose);
      const far = Math.min(lens.focusM, 15);
      points.push({ x: pose.x + look.x * far, y: pose.y + look.y * far, z: pose.z + look.z * far });
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
    const pose = this.desk.selected && this.store.pose(this.desk.selected, this.desk.frame);
    if (!pose) return;
    if (this.side === '3D') this.outside.target.set(pose.x, pose.y, pose.z);
    else this.centre = this.plane(pose);
    this.ask('all');
  }

  setSide(side) {
    this.side = side;
    if (side === '3D') this.openOutside();
    this.canvas.hidden = side !== '3D';
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
    if (all) this.under.replaceChildren(...this.lines(), ...this.pieces(), ...this.layer.draw());
    this.drawOver();
  }

  /** From outside the solids are rendered; what is drawn over them is projected. */
  drawOutside() {
    this.outside.draw();
    this.movingParts = [];
    const labels = [];
    const frusta = this.store
      .cameras()
      .filter((c) => !this.store.isHidden(c))
      .flatMap((c) => this.frustum(c, labels));
    this.under.replaceChildren(...frusta, ...this.layer.draw());
    this.over.replaceChildren(...partSigns(this), ...this.placed(labels));
  }

  /** A camera from outside: its angle of view up to where it is in focus. */
  frustum(node, labels) {
    const pose = this.store.pose(node.id, this.desk.frame);
    const lens = this.store.lens(node.id, this.desk.frame);
    if (!pose || !lens) return [];
    const far = Math.min(lens.focusM, 12);
    const [tw, th] = [Math.tan((lens.horizontalDeg * Math.PI) / 360), Math.tan((lens.verticalDeg * Math.PI) / 360)];
    const from = this.place(pose);
    const corners = [
      [-1, 1],
      [1, 1],
      [1, -1],
      [-1, -1],
    ].map(([u, v]) => this.place(ahead(pose, [u * tw * far, v * th * far, -far], true)));
    if (!from || corners.some((c) => !c)) return [];
    const point = (p) => p.map((v) => v.toFixed(1)).join(' ');
    labels.push({ x: from[0] + 9, y: from[1] + 4, text: node.name, strong: true, first: true });
    return [
      s('path', {
        class: 'frustum',
        d: `M${corners.map(point).join('L')}Z${corners.map((c) => `M${point(from)}L${point(c)}`).join('')}`,
      }),
      s(
        'circle',
        {
          class: node.id === this.desk.camera ? 'camera' : 'camera other',
          cx: from[0].toFixed(1),
          cy: from[1].toFixed(1),
          r: 5.5,
          'data-id': node.id,
        },
        s('title', { text: node.name }),
      ),
    ];
  }

  lines() {
    const [w, h] = this.size;
    const step = [0.5, 1, 2, 5, 10, 20, 50, 100, 200].find((m) => m / this.metresPerPixel >= 24) ?? 500;
    const [a0, b0] = this.fromScreen([0, 0]);
    const [a1, b1] = this.fromScreen([w, h]);
    let d = '';
    for (let a = Math.ceil(a0 / step) * step; a <= a1; a += step) d += `M${this.toScreen([a, 0])[0].toFixed(1)} 0V${h}`;
    for (let b = Math.ceil(Math.min(b0, b1) / step) * step; b <= Math.max(b0, b1); b += step)
      d += `M0 ${this.toScreen([0, b])[1].toFixed(1)}H${w}`;
    return [s('path', { class: 'lines', d })];
  }

  shape(node) {
    const mesh = this.store.meshes.get(node.id);
    const pose = this.store.pose(node.id, this.desk.frame);
    if (!mesh || !pose) return null;
    const known = this.outlines.get(node.id);
    const place = Object.values(pose).join();
    if (known?.place === place && known.mesh === mesh) return known.points;
    const points = outline(mesh, pose, this.side);
    this.outlines.set(node.id, { place, mesh, points });
    return points;
  }

  pieces() {
    const parts = [];
    this.movingParts = [];
    const shown = this.store.nodes
      .filter((n) => n.kind === 'piece' && !this.store.isHidden(n))
      .map((node) => ({ node, points: this.shape(node) }))
      .filter((p) => p.points?.length);
    const extent = (points) => Math.max(...points.map((p) => p[0])) - Math.min(...points.map((p) => p[0]));
    shown.sort((p, q) => extent(q.points) - extent(p.points));
    const family = this.family();
    for (const { node, points } of shown) {
      const chosen = family.has(node.id);
      const d = this.closed(points);
      const big = extent(points) > LARGEST_LABELLED_M;
      const part = s('path', {
        class: chosen ? 'piece chosen' : 'piece',
        d,
        fill: node.finish.colour,
        stroke: node.finish.colour,
        'fill-opacity': big ? 0.1 : undefined,
        'data-id': big ? undefined : node.id,
      });
      parts.push(part);
      if ((this.store.motion.get(node.id)?.x.length ?? 1) > 1) this.movingParts.push({ node, part });
    }
    return parts;
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

  /** The selected node and all that it carries. */
  family() {
    const family = new Set(this.desk.selected ? [this.desk.selected] : []);
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
    const parts = [];
    this.marks = [];
    const rings = this.nulls(labels);
    for (const camera of this.store.cameras())
      if (!this.store.isHidden(camera)) parts.push(...this.camera(camera, labels));
    parts.push(...rings, ...this.marks, ...partSigns(this), ...this.handle(), ...this.names(labels), ...this.scaleBar());
    this.over.replaceChildren(...parts);
  }

  /** The wedge goes under the rings of the rig, the camera itself over them. */
  camera(node, labels) {
    const pose = this.store.pose(node.id, this.desk.frame);
    const lens = this.store.lens(node.id, this.desk.frame);
    if (!pose || !lens) return [];
    const look = forward(pose, this.side);
    const at = this.plane(pose);
    const shown = node.id === this.desk.camera;
    const parts = [];
    if (shown) parts.push(...this.wedge(at, look, lens, labels));
    const [x, y] = this.toScreen(at);
    const up = this.side === 'above' ? 1 : -1;
    const angle = (Math.atan2(look.a, -look.b * up) * 180) / Math.PI;
    this.marks.push(
      s(
        'path',
        {
          class: shown ? 'camera' : 'camera other',
          d: 'M0 -10L6 6H-6Z',
          transform: `translate(${x.toFixed(1)} ${y.toFixed(1)}) rotate(${angle.toFixed(2)})`,
          'data-id': node.id,
        },
        s('title', { text: node.name }),
      ),
    );
    labels.push({ x: x + 11, y: y + 15, text: node.name, strong: true, first: true });
    return parts;
  }

  /** The angle of view, and between near and far limit what is sharp. */
  wedge(at, look, lens, labels) {
    const half = ((this.side === 'above' ? lens.horizontalDeg : lens.verticalDeg) * Math.PI) / 360;
    const [w, h] = this.size;
    const reach = Math.hypot(w, h) * this.metresPerPixel * 1.2;
    const spread = Math.tan(half);
    const corner = (distance, sign) => {
      const along = distance * Math.max(0.2, look.length);
      const aside = distance * spread * sign;
      return this.toScreen([at[0] + look.a * along - look.b * aside, at[1] + look.b * along + look.a * aside]);
    };
    const point = (p) => p.map((v) => v.toFixed(1)).join(' ');
    const far = Math.min(lens.farM, MOST_SHARP_M);
    const near = Math.min(lens.nearM, far);
    const from = this.toScreen(at);
    const parts = [
      s('path', { class: 'wedge', d: `M${point(from)}L${point(corner(reach, -1))}L${point(corner(reach, 1))}Z` }),
      s('path', {
        class: 'band',
        d: `M${point(corner(near, -1))}L${point(corner(near, 1))}L${point(corner(far, 1))}L${point(corner(far, -1))}Z`,
      }),
    ];
    const right = corner(Math.min(far, near * 1.2), 1);
    const left = corner(Math.min(far, near * 1.2), -1);
    const side = right[0] > left[0] ? right : left;
    labels.push({
      x: Math.min(side[0] + 7, w - 132),
      y: side[1] + 4,
      text: `${lengthRange(lens.nearM, lens.farM)} sharp`,
      sharp: true,
      first: true,
    });
    return parts;
  }

  /** Nulls that carry a camera, and the chosen one, as rings with a notch where they head. */
  nulls(labels) {
    const rigs = new Set(this.store.cameras().flatMap((c) => this.store.carriersOf(c.id).map((n) => n.id)));
    const parts = [];
    for (const node of this.store.nodes) {
      const chosen = node.id === this.desk.selected;
      if ((node.kind !== 'null' || !(rigs.has(node.id) || chosen)) && !(node.kind === 'sun' && chosen)) continue;
      const pose = this.store.pose(node.id, this.desk.frame);
      if (!pose || this.store.isHidden(node)) continue;
      const [x, y] = this.toScreen(this.plane(pose));
      const look = forward(pose, this.side);
      const up = this.side === 'above' ? 1 : -1;
      parts.push(
        s(
          'circle',
          { class: chosen ? 'ring chosen' : 'ring', cx: x.toFixed(1), cy: y.toFixed(1), r: 8, 'data-id': node.id },
          s('title', { text: node.name }),
        ),
        s('path', {
          class: 'notch',
          d: `M${(x + look.a * 4).toFixed(1)} ${(y + look.b * up * 4).toFixed(1)}L${(x + look.a * 12).toFixed(1)} ${(y + look.b * up * 12).toFixed(1)}`,
        }),
      );
      if (chosen) labels.push({ x: x + 12, y: y + 4, text: node.name, strong: true, first: true });
    }
    return parts;
  }

  /** A handle ahead of the chosen node that turns it. */
  handle() {
    const node = this.desk.node;
    const pose = node && this.store.pose(node.id, this.desk.frame);
    if (!pose || this.side !== 'above') return [];
    const [x, y] = this.toScreen(this.plane(pose));
    const look = forward(pose, 'above');
    const hx = x + look.a * HANDLE_PX;
    const hy = y + look.b * HANDLE_PX;
    return [
      s('path', { class: 'turn-line', d: `M${x.toFixed(1)} ${y.toFixed(1)}L${hx.toFixed(1)} ${hy.toFixed(1)}` }),
      s(
        'circle',
        { class: 'turn', cx: hx.toFixed(1), cy: hy.toFixed(1), r: 5.5, 'data-turn': node.id },
        s('title', { text: `Turn ${node.name}` }),
      ),
    ];
  }

  /** Names of what stands in the world itself, where there is room for them. */
  names(labels) {
    for (const node of this.store.nodes) {
      if (carrierOf(node) || this.store.isHidden(node) || node.kind === 'camera' || node.kind === 'sun') continue;
      if (node.kind === 'null' && this.store.cameras().some((c) => this.store.carriersOf(c.id).includes(node)))
        continue;
      const points = this.pointsOf(node);
      if (!points.length) continue;
      const xs = points.map((p) => p[0]);
      const ys = points.map((p) => p[1]);
      if ((Math.max(...xs) - Math.min(...xs)) * this.metresPerPixel > LARGEST_LABELLED_M) continue;
      labels.push({ x: Math.max(...xs) + 4, y: (Math.min(...ys) + Math.max(...ys)) / 2 + 4, text: node.name });
    }
    return this.placed(labels);
  }

  pointsOf(node) {
    const inside =
      node.kind === 'piece' ? [node] : this.store.nodes.filter((n) => n.kind === 'piece' && carrierOf(n) === node.id);
    return inside.flatMap((n) => this.shape(n) ?? []).map((p) => this.toScreen(p));
  }

  /** Labels that do not cover one another; those that matter first. */
  placed(labels) {
    const [w, h] = this.size;
    const taken = [
      [0, 0, 60, 26],
      [w - 262, 0, w, 30],
      [0, h - 40, 110, h],
    ];
    const parts = [];
    labels.sort((a, b) => Number(Boolean(b.first)) - Number(Boolean(a.first)));
    for (const label of labels) {
      const width = label.text.length * (label.sharp ? 7 : 6.4) + 4;
      const fits = [0, 14, -14, 28]
        .map((dy) => [label.x, label.y + dy - 11, label.x + width, label.y + dy + 3])
        .find(
          (box) =>
            box[0] > 0 &&
            box[2] < w &&
            box[1] > 0 &&
            box[3] < h &&
            !taken.some((t) => box[0] < t[2] && box[2] > t[0] && box[1] < t[3] && box[3] > t[1]),
        );
      if (!fits) continue;
      taken.push(fits);
      parts.push(
        s('text', {
          class: `halo ${label.sharp ? 'sharp' : label.strong ? 'strong' : ''}`,
          x: label.x.toFixed(1),
          y: (fits[3] - 3).toFixed(1),
          text: label.text,
        }),
      );
    }
    return parts;
  }

  scaleBar() {
    const [, h] = this.size;
    const length = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200].findLast((m) => m / this.metresPerPixel <= 90) ?? 0.1;
    return [
      s('path', { class: 'scale', d: `M14 ${h - 14}h${(length / this.metresPerPixel).toFixed(1)}` }),
      s('text', { class: 'halo', x: 14, y: h - 20, text: lengthText(length, length < 1 ? 2 : 0) }),
    ];
  }

  dispose() {
    this.abort.abort();
    this.observer.disconnect();
    this.outside?.dispose();
  }
}

/** A direction, or with asPlace a place, in a node's own space turned (and moved) into the world. */
function ahead(pose, [x, y, z] = [0, 0, -1], asPlace = false) {
  const { qx, qy, qz, qw } = pose;
  const tx = 2 * (qy * z - qz * y);
  const ty = 2 * (qz * x - qx * z);
  const tz = 2 * (qx * y - qy * x);
  const v = {
    x: x + qw * tx + qy * tz - qz * ty,
    y: y + qw * ty + qz * tx - qx * tz,
    z: z + qw * tz + qx * ty - qy * tx,
  };
  return asPlace ? { x: v.x + pose.x, y: v.y + pose.y, z: v.z + pose.z } : v;
}
