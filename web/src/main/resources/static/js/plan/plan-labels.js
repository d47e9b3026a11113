// The texts on the plan: names where there is room for them, and the scale.
import { s } from '../common/dom.js';
import { lengthText } from '../common/units.js';
import { carrierOf } from '../shot/parts.js';

export const LARGEST_LABELLED_M = 80;

/** Names of what stands in the world itself, where there is room for them. */
export function names(plan, labels) {
  for (const node of plan.store.nodes) {
    if (carrierOf(node) || plan.store.isHidden(node) || node.kind === 'camera' || node.kind === 'sun') continue;
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

export function scaleBar(plan) {
  const [, h] = plan.size;
  const length = [200, 100, 50, 20, 10, 5, 2, 1, 0.5, 0.2].find((m) => m / plan.metresPerPixel <= 90) ?? 0.1;
  return [
    s('path', { class: 'scale', d: `M14 ${h - 14}h${(length / plan.metresPerPixel).toFixed(1)}` }),
    s('text', { class: 'halo', x: 14, y: h - 20, text: lengthText(length, length < 1 ? 2 : 0) }),
  ];
}
