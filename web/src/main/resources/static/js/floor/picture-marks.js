// Small marks over the picture: where the camera in it, or what is chosen, is aimed at.
import { s } from '../common/dom.js';
import { EYE } from '../common/eye.js';
import { isOn } from '../shot/parts.js';
import { targetPlace, targetsOf } from '../shot/targets.js';

/** The targets that are shown: of the camera in the picture, and of the chosen node. */
function targets({ store, desk }) {
  const nodes = [...new Set([desk.camera, desk.selected])].map((id) => store.byId.get(id)).filter(Boolean);
  return nodes.flatMap((node) => node.chain.filter(isOn).flatMap((part) => targetsOf(part)));
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
  svg.replaceChildren(...marks);
}
