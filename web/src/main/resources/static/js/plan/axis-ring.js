// The ring about the one axis that a carrier turns about, on plan, side and outside; it is turned there by hand.
import { s } from '../common/dom.js';
import { turned } from '../common/turned.js';
import { takesKeysOf, TURN } from '../shot/parts.js';
import { takeable } from './takes.js';

const RADIUS_PX = 46;
const LINE_SHARE = 1.35; // of the radius, that the axis reaches to both sides
const STEPS = 48;
const SMALL_M = 0.01;

/** The angle that a node is there to turn: the only one of three that takes keys; or null. */
export function axisOf(node) {
  if (node?.kind !== 'null') return null;
  const { leftOut, locked } = takesKeysOf(node);
  const free = TURN.filter((path) => !leftOut.includes(path) && !locked.includes(path));
  return free.length === 1 ? free[0] : null;
}

/** Turns a vector back by a roll and a tilt, in radians. */
function unturned([x, y, z], tilt, roll) {
  const [ct, st] = [Math.cos(tilt), Math.sin(tilt)];
  const [cr, sr] = [Math.cos(roll), Math.sin(roll)];
  const [y1, z1] = [ct * y + st * z, -st * y + ct * z];
  return [cr * x + sr * y1, -sr * x + cr * y1, z1];
}

const scaled = (a, by) => a.map((v) => v * by);
const plus = (a, b) => a.map((v, i) => v + b[i]);

/** The frame of the ring in the world: where it is, its axis, and two directions across that. */
function ringOf(plan, node, axis) {
  const { store, desk } = plan;
  const pose = store.pose(node.id, desk.frame);
  const own = store.motion.get(node.id)?.own;
  if (!pose || !own) return null;
  const radians = (path) => (store.value(desk.frame, own[path]) * Math.PI) / 180;
  const [tilt, roll] = [radians('tilt'), radians('roll')];
  // the axes of R = Ry Rx Rz, each seen through the turns inside it
  const [along, u, v] = {
    pan: [unturned([0, 1, 0], tilt, roll), unturned([0, 0, 1], tilt, roll), unturned([1, 0, 0], tilt, roll)],
    tilt: [unturned([1, 0, 0], 0, roll), unturned([0, 1, 0], 0, roll), [0, 0, 1]],
    roll: [
      [0, 0, 1],
      [1, 0, 0],
      [0, 1, 0],
    ],
  }[axis].map((each) => turned(each, pose));
  return { at: [pose.x, pose.y, pose.z], along, u, v };
}

const screen = (plan, [x, y, z]) => plan.place({ x, y, z });

/** Metres of the radius, so that the ring has its size on the screen from wherever it is seen. */
function radiusOf(plan, { at, u, v }) {
  const from = screen(plan, at);
  if (!from) return null;
  const reach = [u, v].map((way) => screen(plan, plus(at, scaled(way, SMALL_M))));
  if (reach.some((p) => !p)) return null;
  const perMetre = Math.max(...reach.map(([x, y]) => Math.hypot(x - from[0], y - from[1]))) / SMALL_M;
  return perMetre > 0 ? RADIUS_PX / perMetre : null;
}

const onRing = ({ at, u, v }, radius, angle) =>
  plus(at, plus(scaled(u, radius * Math.cos(angle)), scaled(v, radius * Math.sin(angle))));

const text = ([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`;

/** The ring of the selected carrier. */
export function axisRing(plan) {
  const { node } = plan.desk;
  const axis = axisOf(node);
  const ring = axis && ringOf(plan, node, axis);
  const radius = ring && radiusOf(plan, ring);
  if (!radius) return [];
  const points = Array.from({ length: STEPS }, (_, i) => screen(plan, onRing(ring, radius, (i * 2 * Math.PI) / STEPS)));
  const ends = [-1, 1].map((way) => screen(plan, plus(ring.at, scaled(ring.along, way * radius * LINE_SHARE))));
  if ([...points, ...ends].some((p) => !p)) return [];
  const d = `M${points.map(text).join('L')}Z`;
  const says = `Drag to turn ${node.name}: ${axis}`;
  return [
    s('path', { class: 'axis-line', d: `M${text(ends[0])}L${text(ends[1])}` }),
    s('text', { class: 'halo axis-name', x: ends[1][0] + 4, y: ends[1][1] - 3, text: axis }),
    s('path', { class: 'axis-ring', d }),
    s('path', { class: 'axis-reach', d, ...takeable('axis', node.id) }, s('title', { text: says })),
  ];
}

/** What a drag on the ring does: pixels along it become degrees. @param {number[]} from where the page is pressed */
export function turningAbout(plan, id, from) {
  const [px, py] = from;
  const { store, desk } = plan;
  const node = store.byId.get(id);
  const path = axisOf(node);
  const ring = ringOf(plan, node, path);
  const radius = radiusOf(plan, ring);
  const box = plan.svg.getBoundingClientRect();
  const angles = Array.from({ length: STEPS * 4 }, (_, i) => (i * Math.PI) / (STEPS * 2));
  const far = (angle) => {
    const [x, y] = screen(plan, onRing(ring, radius, angle));
    return Math.hypot(x + box.left - px, y + box.top - py);
  };
  const grabbed = angles.reduce((best, angle) => (far(angle) < far(best) ? angle : best));
  const [before, after] = [-SMALL_M, SMALL_M].map((by) => screen(plan, onRing(ring, radius, grabbed + by)));
  const way = [(after[0] - before[0]) / (2 * SMALL_M), (after[1] - before[1]) / (2 * SMALL_M)];
  const start = store.value(desk.frame, store.motion.get(id).own[path]);
  const { frame } = desk;
  return {
    /** @param {number[]} by */
    move: (by, event, done) => {
      const [dx, dy] = by;
      const radians = (dx * way[0] + dy * way[1]) / Math.max(1, way[0] ** 2 + way[1] ** 2);
      const value = Math.round((start + (radians * 180) / Math.PI) * 100) / 100;
      const edit = (keying) => ({ edit: 'set-values', id, frame, values: { [path]: value }, keying });
      desk.change(node, [path], edit, { done });
    },
  };
}
