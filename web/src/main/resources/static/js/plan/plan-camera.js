// The camera on the plan: its mark, its angle of view, what is sharp, the rings of its rig and the turn handle.
import { s } from '../common/dom.js';
import { lengthRange } from '../common/units.js';
import { outOf } from '../shot/samples.js';
import { seenBy, spreadAt } from '../shot/seen.js';
import { forward } from './outline.js';
import { takeable } from './takes.js';

/** How far ahead of a node its turn ring stands: the nearest at which no handle or key is in its way. */
const TURN_PX = [34, 52, 70, 88, 106];
const CLEAR_PX = 16;
const MOST_SHARP_M = 400;
const LIT = ['sun', 'light', 'mist'];

const CORNERS = [
  [-1, 1],
  [1, 1],
  [1, -1],
  [-1, -1],
];

const point = (p) => p.map((v) => v.toFixed(1)).join(' ');
const area = (points) => `M${points.map(point).join('L')}Z`;

/** A camera from outside: its angle of view up to where it is in focus. */
export function frustum(plan, node, labels) {
  const pose = plan.store.pose(node.id, plan.desk.frame);
  const lens = plan.store.lens(node.id, plan.desk.frame);
  if (!pose || !lens) return [];
  const far = Math.min(lens.focusM, 12);
  const from = plan.place(pose);
  const at = (metres) => cornersAt(seenBy(lens), metres).map((place) => plan.place(outOf(pose, place)));
  const [corners, feet] = [at(far), at(0)];
  if (!from || [...corners, ...feet].some((c) => !c)) return [];
  labels.push({ x: from[0] + 9, y: from[1] + 4, text: node.name, strong: true, first: true });
  return [
    s('path', {
      class: 'frustum',
      d: `M${corners.map(point).join('L')}Z${corners.map((c, i) => `M${point(feet[i])}L${point(c)}`).join('')}`,
    }),
    s(
      'circle',
      {
        class: node.id === plan.desk.camera ? 'camera' : 'camera other',
        cx: from[0].toFixed(1),
        cy: from[1].toFixed(1),
        r: 5.5,
        ...takeable('sign', node.id),
      },
      s('title', { text: node.name }),
    ),
  ];
}

/** The corners of the picture so far ahead, along the camera's own axes. */
function cornersAt(seen, metres) {
  const spread = spreadAt(seen, metres);
  const { across, up, right, above } = seen;
  return CORNERS.map(([u, v]) => [(right + u * across) * spread, (above + v * up) * spread, -metres]);
}

/** The mark of a camera. */
export function camera(plan, node, labels) {
  const pose = plan.store.pose(node.id, plan.desk.frame);
  if (!pose) return [];
  const look = forward(pose, plan.side);
  const [x, y] = plan.toScreen(plan.plane(pose));
  const up = plan.side === 'above' ? 1 : -1;
  const angle = (Math.atan2(look.a, -look.b * up) * 180) / Math.PI;
  labels.push({ x: x + 11, y: y + 15, text: node.name, strong: true, first: true });
  return [
    s(
      'path',
      {
        class: node.id === plan.desk.camera ? 'camera' : 'camera other',
        d: 'M0 -10L6 6H-6Z',
        transform: `translate(${x.toFixed(1)} ${y.toFixed(1)}) rotate(${angle.toFixed(2)})`,
        ...takeable('sign', node.id),
      },
      s('title', { text: node.name }),
    ),
  ];
}

/** What the camera in the picture sees, drawn under the rings of its rig. */
export function view(plan, node, labels) {
  const pose = plan.store.pose(node.id, plan.desk.frame);
  const lens = plan.store.lens(node.id, plan.desk.frame);
  if (!pose || !lens || node.id !== plan.desk.camera) return [];
  return wedge(plan, plan.plane(pose), forward(pose, plan.side), lens, labels);
}

/** The angle of view, and between near and far limit what is sharp. */
function wedge(plan, at, look, lens, labels) {
  const seen = seenBy(lens);
  const [half, beside] = plan.side === 'above' ? [seen.across, seen.right] : [seen.up, seen.above];
  const [w, h] = plan.size;
  const reach = Math.hypot(w, h) * plan.metresPerPixel * 1.2;
  const corner = (distance, sign) => {
    const along = distance * Math.max(0.2, look.length);
    const aside = spreadAt(seen, distance) * (beside + half * sign);
    return plan.toScreen([at[0] + look.a * along - look.b * aside, at[1] + look.b * along + look.a * aside]);
  };
  if (seen.parallel)
    return [s('path', { class: 'wedge', d: area([corner(0, -1), corner(reach, -1), corner(reach, 1), corner(0, 1)]) })];
  const far = Math.min(lens.farM, MOST_SHARP_M);
  const near = Math.min(lens.nearM, far);
  const from = plan.toScreen(at);
  const parts = [
    s('path', { class: 'wedge', d: area([from, corner(reach, -1), corner(reach, 1)]) }),
    s('path', { class: 'band', d: area([corner(near, -1), corner(near, 1), corner(far, 1), corner(far, -1)]) }),
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
export function nulls(plan, labels) {
  const selection = new Set(plan.desk.selection());
  const rigs = new Set(plan.store.cameras().flatMap((c) => plan.store.carriersOf(c.id).map((n) => n.id)));
  const parts = [];
  for (const node of plan.store.nodes) {
    const chosen = selection.has(node.id);
    if (
      (node.kind !== 'null' || !(rigs.has(node.id) || chosen)) &&
      !(LIT.includes(node.kind) && (chosen || node.kind === 'light'))
    )
      continue;
    const pose = plan.store.pose(node.id, plan.desk.frame);
    if (!pose || plan.store.isHidden(node, plan.desk.frame)) continue;
    const [x, y] = plan.toScreen(plan.plane(pose));
    const look = forward(pose, plan.side);
    const up = plan.side === 'above' ? 1 : -1;
    const notch = (px) => point([x + look.a * px, y + look.b * up * px]);
    parts.push(
      s(
        'circle',
        {
          class: chosen ? 'ring chosen' : 'ring',
          cx: x.toFixed(1),
          cy: y.toFixed(1),
          r: 8,
          ...takeable('sign', node.id),
        },
        s('title', { text: node.name }),
      ),
      s('path', {
        class: 'notch',
        d: `M${notch(4)}L${notch(12)}`,
      }),
    );
    if (chosen) labels.push({ x: x + 12, y: y + 4, text: node.name, strong: true, first: true });
  }
  return parts;
}

/** A handle ahead of the chosen node that turns it. */
export function handle(plan) {
  const node = plan.desk.node;
  const pose = node && plan.store.pose(node.id, plan.desk.frame);
  if (!pose || plan.side !== 'above') return [];
  const [x, y] = plan.toScreen(plan.plane(pose));
  const look = forward(pose, 'above');
  /** @returns {[number, number]} */
  const at = (px) => [x + look.a * px, y + look.b * px];
  const [hx, hy] = at(TURN_PX.find((px) => isClear(plan, at(px))) ?? TURN_PX[0]);
  return [
    s('path', { class: 'turn-line', d: `M${x.toFixed(1)} ${y.toFixed(1)}L${hx.toFixed(1)} ${hy.toFixed(1)}` }),
    s(
      'circle',
      { class: 'turn', cx: hx.toFixed(1), cy: hy.toFixed(1), r: 5.5, ...takeable('turn', node.id) },
      s('title', { text: `Turn ${node.name}` }),
    ),
  ];
}

const isClear = (plan, [x, y]) => plan.layer.marks.every((mark) => Math.hypot(mark[0] - x, mark[1] - y) > CLEAR_PX);
