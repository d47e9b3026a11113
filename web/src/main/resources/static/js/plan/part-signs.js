// The signs of parts on plan, side and outside: for Aim a thin line to its target, with an eye.
import { s } from '../common/dom.js';
import { EYE } from '../common/eye.js';
import { idOf, isOn } from '../shot/parts.js';
import { SIDES } from '../shot/sides.js';
import { targetPlace, targetsOf } from '../shot/targets.js';

/** @typedef {import('../shot/types.js').Part} Part */

const LETTER_PX = 16;

const point = ([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`;

/** How much of a part takes effect at a frame, as far as its weight says. */
function weightAt(store, node, part, frame) {
  const column = store.motion.get(node.id)?.own[`${idOf(part)}.weight`];
  return column ? store.value(frame, column) : 1;
}

/** Whether a frame lies in the window of a part. @param {Part} part @param {number} frame */
export function isInWindow({ window = {} }, frame) {
  return frame >= (window.from ?? -Infinity) && frame <= (window.to ?? Infinity);
}

function aim(plan, node, part) {
  const { store, desk } = plan;
  const pose = store.pose(node.id, desk.frame);
  const from = pose && plan.place(pose);
  if (!from) return [];
  const works = isOn(part) && isInWindow(part, desk.frame) && weightAt(store, node, part, desk.frame) > 0;
  const look = `aim${works ? '' : ' idle'}`;
  const parts = targetsOf(part).flatMap((target) => line(plan, from, target, look));
  return [...parts, ...letter(from, part.side)];
}

function line(plan, from, target, look) {
  const place = targetPlace(plan.store, target, plan.desk.frame);
  const to = place && plan.place({ x: place[0], y: place[1], z: place[2] });
  if (!to) return [];
  return [
    s('path', { class: `${look} line`, d: `M${point(from)}L${point(to)}` }),
    s('path', { class: `${look} eye`, d: EYE, transform: `translate(${point(to)})` }),
  ];
}

/** The side that looks, where it is not the front. */
function letter([x, y], side) {
  if (side === 'front') return [];
  const text = SIDES[side];
  return [s('text', { class: 'halo aim-side', x: (x - LETTER_PX).toFixed(1), y: (y - 6).toFixed(1), text })];
}

const SIGNS = { aim, 'frame-up': (plan, node, part) => aim(plan, node, { ...part, side: 'front' }) };

/** The signs of the parts of the chosen node and of the camera in the picture. */
export function partSigns(plan) {
  const { store, desk } = plan;
  const nodes = [...new Set([desk.camera, desk.selected])].map((id) => store.byId.get(id)).filter(Boolean);
  return nodes.flatMap((node) => node.chain.flatMap((part) => SIGNS[part.part]?.(plan, node, part) ?? []));
}
