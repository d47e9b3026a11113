// The bead in a number field: it says whether the number is keyed here, lays a key, and takes it away.
import { h, s } from '../common/dom.js';
import { keysOf } from '../shot/keys.js';
import { pathName } from '../shot/parts.js';

const RING = 'M5 1a4 4 0 1 0 .01 0z';

/** Whether a channel is keyed at this frame, between keys, or not at all: keyed, between, or the empty text. */
export function keyState(store, id, channel, frame) {
  const node = store.byId.get(id);
  const keys = node ? keysOf(node, channel) : [];
  if (!keys.length) return '';
  return keys.some((k) => Math.abs(k[0] - frame) < 1e-6) ? 'keyed' : 'between';
}

/** @returns {{element: HTMLElement, refresh: () => void}} */
export function keyButton(store, desk, id, channel) {
  const name = pathName(store.byId.get(id), channel);
  const isKeyed = () => keyState(store, id, channel, desk.frame) === 'keyed';
  const toggle = () => {
    if (desk.loose?.ids.includes(id)) return desk.keepLoose();
    const picks = [{ id, channels: [channel], frames: [desk.frame] }];
    return store.edit([
      isKeyed() ? { edit: 'remove-keys', picks } : { edit: 'key-pose', id, frame: desk.frame, channels: [channel] },
    ]);
  };
  const sign = s('svg', { viewBox: '0 0 10 10', 'aria-hidden': 'true' }, s('path', { d: RING }));
  const element = h('button', { type: 'button', class: 'key-it', tabindex: '-1', onclick: toggle }, sign);
  return {
    element,
    refresh() {
      const says = isKeyed() ? `Remove the key of ${name} here` : `Key ${name} here`;
      if (element.title === says) return;
      element.title = says;
      element.setAttribute('aria-label', says);
    },
  };
}
