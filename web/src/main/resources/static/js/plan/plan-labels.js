// The texts on the plan: names where there is room for them, and the scale.
import { s } from '../common/dom.js';
import { LabelRoom } from '../common/label-room.js';
import { lengthText } from '../common/units.js';
import { carrierOf } from '../shot/parts.js';

export const LARGEST_LABELLED_M = 80;
/** How far a label may be moved up or down to find room. */
const BESIDE_PX = { name: [0, 14, -14, 28], over: [0, 14, -14, 28, -28, 42, -42] };

/** Names of what stands in the world itself, where there is room for them. */
export function names(plan, labels) {
  for (const node of plan.store.nodes) {
    if (
      carrierOf(node) ||
      plan.store.isHidden(node, plan.desk.frame) ||
      'camera sun light mist haze'.includes(node.kind)
    )
      continue;
    if (node.kind === 'null' && plan.store.cameras().some((c) => plan.store.carriersOf(c.id).includes(node))) continue;
    const points = pointsOf(plan, node);
    if (!points.length) continue;
    const xs = points.map((p) => p[0]);
    const ys = points.map((p) => p[1]);
    if ((Math.max(...xs) - Math.min(...xs)) * plan.metresPerPixel > LARGEST_LABELLED_M) continue;
    labels.push({ x: Math.max(...xs) + 4, y: (Math.min(...ys) + Math.max(...ys)) / 2 + 4, text: node.name });
  }
  return placed(plan, labels);
}

export function pointsOf(plan, node) {
  const inside =
    node.kind === 'piece' ? [node] : plan.store.nodes.filter((n) => n.kind === 'piece' && carrierOf(n) === node.id);
  return inside.flatMap((n) => plan.shape(n) ?? []).map((p) => plan.toScreen(p));
}

/** Labels that do not cover one another; those that matter first. */
export function placed(plan, labels) {
  const [w, h] = plan.size;
  const room = new LabelRoom(
    [0, 0, w, h],
    [
      [0, 0, 60, 26],
      [w - 262, 0, w, 30],
      [0, h - 40, 110, h],
    ],
  );
  const all = [...labels, ...plan.layer.labels];
  all.sort((a, b) => Number(Boolean(b.first)) - Number(Boolean(a.first)));
  return all.flatMap((label) => {
    const at = room.take(placesOf(label), widthOf(label));
    const look = label.over ? 'over' : label.sharp ? 'sharp' : label.strong ? 'strong' : '';
    return at ? [s('text', { class: `halo ${look}`, x: at[0].toFixed(1), y: at[1].toFixed(1), text: label.text })] : [];
  });
}

const widthOf = (label) => label.text.length * (label.sharp || label.over ? 7 : 6.4) + 4;

/** @returns {[number, number][]} */
const placesOf = (label) => BESIDE_PX[label.over ? 'over' : 'name'].map((dy) => [label.x, label.y + dy]);

export function scaleBar(plan) {
  const [, h] = plan.size;
  const length = [200, 100, 50, 20, 10, 5, 2, 1, 0.5, 0.2].find((m) => m / plan.metresPerPixel <= 90) ?? 0.1;
  return [
    s('path', { class: 'scale', d: `M14 ${h - 14}h${(length / plan.metresPerPixel).toFixed(1)}` }),
    s('text', { class: 'halo', x: 14, y: h - 20, text: lengthText(length, length < 1 ? 2 : 0) }),
  ];
}
