// Small marks over the picture: where the camera in it, or what is chosen, is aimed at.
import { s } from '../common/dom.js';
import { EYE } from '../common/eye.js';
import { isOn } from '../shot/parts.js';
import { targetPlace, targetsOf } from '../shot/targets.js';

const PERCENT = 100;
const CROSS_PX = 9;

/** The targets that are shown: of the camera in the picture, and of the chosen node. */
function targets({ store, desk }) {
  const nodes = [...new Set([desk.camera, desk.selected])].map((id) => store.byId.get(id)).filter(Boolean);
  return nodes.flatMap((node) => node.chain.filter(isOn).flatMap((part) => targetsOf(part)));
}

/** Where a subject is to sit while it is framed up: a cross, and its height where that is asked for. */
function framingMark({ desk, size }) {
  if (desk.tab !== 'frame') return [];
  const { across, up, size: high, way } = desk.framing.asked;
  const [x, y] = [(across / PERCENT + 0.5) * size.w, (0.5 - up / PERCENT) * size.h];
  const half = way === 'turn' ? CROSS_PX : ((high / PERCENT) * size.h) / 2;
  const bars =
    way === 'turn' ? '' : `M${x - CROSS_PX} ${y - half}h${2 * CROSS_PX}M${x - CROSS_PX} ${y + half}h${2 * CROSS_PX}`;
  const d = `M${x - CROSS_PX} ${y}h${2 * CROSS_PX}M${x} ${y - half}v${2 * half}${bars}`;
  return [s('path', { class: 'aim-mark framing-mark', d })];
}

/** @param picture knows where a place in the world is on its canvas */
export function drawMarks(picture, svg) {
  const marks = targets(picture).flatMap((target) => {
    const place = targetPlace(picture.store, target, picture.desk.frame);
    const at = place && picture.project(place);
    return at
      ? [s('path', { class: 'aim-mark', d: EYE, transform: `translate(${at.map((v) => v.toFixed(1)).join(' ')})` })]
      : [];
  });
  svg.replaceChildren(...marks, ...framingMark(picture));
}
