// What the motion does before the first frame and behind the last.
import { h } from '../common/dom.js';
import { idOf, partOf } from '../shot/parts.js';
import { choice, row } from './fields.js';
import { panelOf } from './part-panel.js';
import { PartWork } from './part-work.js';

/** @type {[string, string][]} */
const EDGES = [
  ['own', 'as its keys say'],
  ['hold', 'hold: stands still'],
  ['run-on', 'run on: as fast as it is there'],
  ['cycle', 'cycle: a round of the shot'],
];
const SAYS = 'In the handles only: with it, the first and the last frame have the blur of a motion that goes on.';

export const runInPanel = {
  signature: (store, node, desk) => JSON.stringify([desk.card, partOf(node, desk.card)]),

  build(store, desk, node) {
    const part = partOf(node, desk.card);
    const work = new PartWork(store, desk, node.id, idOf(part), ['before', 'after']);
    const edge = (name, label) => {
      const select = choice(label, EDGES, (value) => work.set({ [name]: value }));
      select.value = part[name] ?? 'own';
      return select;
    };
    const rows = [
      row('Before', edge('before', 'Before the first frame')),
      row('After', edge('after', 'Behind the last frame')),
      h('p', { class: 'note', text: SAYS }),
    ];
    return panelOf(store, desk, node, part, [{ rows, refresh() {} }]);
  },
};
