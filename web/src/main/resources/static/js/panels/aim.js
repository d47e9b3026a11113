// Aim: what is looked at, with which side, and what becomes of the roll.
import { button } from '../common/dom.js';
import { idOf, partOf } from '../shot/parts.js';
import { SIDES } from '../shot/sides.js';
import { choice, row } from './fields.js';
import { panelOf, parametersPart, windowPart } from './part-panel.js';
import { targetPart } from './target-field.js';

const SIDE_CHOICES = Object.entries(SIDES).map(([side, letter]) => [side, `${letter} · ${side}`]);
const ROLLS = [
  ['kept', 'roll kept'],
  ['levelled', 'levelled'],
];

export const aimPanel = {
  signature: (store, node, desk) => {
    const { second } = partOf(node, desk.card);
    const names = store.nodes.map((n) => n.id + n.name).join();
    return JSON.stringify([desk.card, Boolean(second), names]);
  },

  build(store, desk, node) {
    const { id } = node;
    const partId = desk.card;
    const now = () => partOf(store.byId.get(id), partId);
    const set = (change, done = true) => {
      const { target, second, side, roll } = now();
      const part = { part: 'aim', id: partId, target, second, side, roll, ...change };
      const edits = [{ edit: 'set-part', id, part }];
      if (done) return store.edit(edits);
      store.show(edits);
      return true;
    };
    const at = (name, label) =>
      targetPart(store, desk, {
        label,
        own: id,
        get: () => now()?.[name] ?? null,
        set: (target, done) => set({ [name]: target }, done),
      });
    return panelOf(store, desk, node, now(), [
      at('target', 'Looks at'),
      at('second', 'Then at'),
      waysPart(now, set),
      parametersPart(store, desk, id, now(), (p) => p.id !== 'blend' || Boolean(now().second)),
      windowPart(store, desk, id, idOf(now())),
    ]);
  },
};

/** Which side looks, what becomes of the roll, and whether there is a second target. */
function waysPart(now, set) {
  const side = choice('Which side looks', SIDE_CHOICES, (value) => set({ side: value }));
  const roll = choice('Roll', ROLLS, (value) => set({ roll: value }));
  const second = button('', () => set({ second: now().second ? null : now().target }), {
    title: 'With a second target, or without: the blend from the first to it can be keyed',
  });
  return {
    rows: [row('Looks with', side, roll, second)],
    refresh() {
      side.value = now().side;
      roll.value = now().roll;
      second.textContent = now().second ? 'One target' : 'Two targets';
    },
  };
}
