// When a node is there to be seen: appears and vanishes at the playhead.
import { button, h } from '../common/dom.js';
import { trimmed } from '../common/format.js';
import { partOf } from '../shot/parts.js';
import { keysOf } from '../shot/keys.js';
import { isThere } from '../shot/looks.js';
import { row } from './fields.js';
import { panelOf } from './part-panel.js';

export const VISIBLE = 'visible.shown';

export const visiblePanel = {
  signature: (store, node, desk) => partOf(node, desk.card)?.part,

  build(store, desk, node) {
    const part = partOf(node, desk.card);
    const id = node.id;
    const now = h('span', { role: 'status' });
    const list = h('ul', { class: 'plain-list' });
    const appear = button('Appears here', () => turn(store, desk, id, 1), {
      title: 'From the playhead on it is there',
    });
    const vanish = button('Vanishes here', () => turn(store, desk, id, 0), {
      title: 'From the playhead on it is gone, with its shadow, and with all that it carries',
    });
    const always = button('Always there', () => removeAll(store, id), { title: 'Takes all these keys away' });
    const shown = {
      rows: [row('Now', now), row('', appear, vanish), row('Times', list), row('', always)],
      refresh: () => refresh(store, desk, id, { now, list, appear, vanish, always }),
    };
    return panelOf(store, desk, node, part, [shown]);
  },
};

function refresh(store, desk, id, { now, list, appear, vanish, always }) {
  const node = store.byId.get(id);
  const keys = keysOf(node, VISIBLE);
  const own = store.motion.get(id)?.own[VISIBLE];
  const is = !own || store.value(desk.frame, own) >= 0.5;
  now.textContent = says(store, desk, node, is);
  appear.disabled = is;
  vanish.disabled = !is;
  always.hidden = keys.length === 0;
  const lines = keys.map(([frame, value]) => `${value >= 0.5 ? 'there' : 'gone'} from ${trimmed(frame, 1)}`);
  list.replaceChildren(...(lines.length ? lines : ['there at all frames']).map((text) => h('li', { text })));
}

function says(store, desk, node, is) {
  if (!is) return `gone at ${trimmed(desk.frame, 1)}`;
  return isThere(store, node, desk.frame) ? `there at ${trimmed(desk.frame, 1)}` : 'gone with what carries it';
}

/** From the playhead on it is there or not; before, it stays as it is. */
function turn(store, desk, id, value) {
  const node = store.byId.get(id);
  const frame = Math.round(desk.frame);
  const set = (at, shown) => ({
    edit: 'set-values',
    id,
    frame: at,
    values: { [VISIBLE]: shown },
    keying: 'touched',
  });
  const first = Math.min(desk.first(), frame - 1);
  const before = keysOf(node, VISIBLE).length ? [] : [set(first, 1 - value)];
  return store.edit([...before, set(frame, value)], value ? 'Appears' : 'Vanishes');
}

function removeAll(store, id) {
  const frames = keysOf(store.byId.get(id), VISIBLE).map(([frame]) => frame);
  return store.edit([
    { edit: 'remove-keys', picks: [{ id, channels: [VISIBLE], frames }] },
    { edit: 'set-values', id, frame: 0, values: { [VISIBLE]: 1 }, keying: 'still' },
  ]);
}
