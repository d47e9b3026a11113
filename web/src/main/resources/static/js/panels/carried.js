// What carries a node.
import { button, h } from '../common/dom.js';
import { lengthText } from '../common/units.js';
import { carrierOf, isOff, offsetOf } from '../shot/parts.js';
import { choice, fact, row } from './fields.js';

const KEEPS = [
  ['fitted', 'its motion, in few keys'],
  ['every-frame', 'its motion, a key a frame'],
  ['place', 'its place at the playhead'],
  ['numbers', 'its own numbers'],
];
const OFFSET_SAYS = 'Constant step between carrier and node, which keeps a keyed node in place';

export const carriedPanel = {
  signature: (store, node) => {
    const nulls = store.nodes.filter((n) => n.kind === 'null').map((n) => n.id + n.name);
    return `${nulls.join()} ${carrierOf(node)} ${offsetOf(node)}`;
  },

  build(store, desk, node) {
    const { id } = node;
    const carry = (carrier, keep = undefined) => desk.nodes.carry(several(desk, id), carrier, keep);
    const which = carrierOf(node) ? 'change' : 'first';
    const keeps = keepsChoice(desk, which);
    const place = placePart(store, desk, node);
    const says = h('small', { class: 'note' });
    return {
      title: `Carried by · ${node.name}`,
      aside: says,
      elements: [
        h(
          'div',
          { class: 'rows' },
          row('Carrier', carrierChoice(store, node, carry)),
          row('It keeps', keeps),
          h('div', { class: 'buttons' }, ...buttons(store, desk, node, carry)),
          place.element,
        ),
      ],
      refresh() {
        const off = isOff(store.byId.get(id), 'carried');
        says.textContent = off ? `switched off: the carrier stands as at ${desk.first()}` : '';
        keeps.value = desk.keeps[which];
        place.refresh();
      },
    };
  },
};

/** The node of the panel, with all else that is selected with it. */
const several = (desk, id) => (desk.selection().includes(id) ? desk.topSelection() : [id]);

/** What stays when the carrier changes or goes; deleting a carrier asks the same. */
function keepsChoice(desk, which) {
  const choices = KEEPS.map(([keep, text]) => [keep, text]);
  const pick = choice('What it keeps when its carrier changes', choices, (keep) => {
    desk.keeps[which] = keep;
  });
  pick.title = 'Also when a carrier is deleted';
  return pick;
}

/** The nulls that may carry a node, with what carries them. */
function carrierChoice(store, node, carry) {
  const own = family(store, node.id);
  const carriers = store.nodes.filter((n) => n.kind === 'null' && !own.has(n.id));
  const way = (n) => [...store.carriersOf(n.id), n].map((c) => c.name).join(' › ');
  const pick = choice('Carried by', [['', 'The world'], ...carriers.map((n) => [n.id, way(n)])], (to) => carry(to));
  pick.value = carrierOf(node);
  return pick;
}

function buttons(store, desk, node, carry) {
  return [
    button('Add a null above', () => desk.nodes.addAbove(), {
      title: 'A new null in the middle of this, between it and its carrier (n)',
    }),
    carrierOf(node) ? button('Let go', () => carry('')) : null,
    offsetOf(node)
      ? button('Clear offset', () => carry(carrierOf(node), 'numbers'), { title: 'Take the own numbers as they are' })
      : null,
  ];
}

/** Where it is in the world, and its offset. */
function placePart(store, desk, node) {
  const axes = ['x', 'y', 'z'];
  const facts = axes.map((axis) => fact(`World ${axis}`, 'Place in the world'));
  const offset = fact('Offset', OFFSET_SAYS);
  const step = offsetOf(node);
  return {
    element: h('div', { class: 'facts' }, ...[...facts, offset].map((f) => f.element)),
    refresh() {
      const pose = store.pose(node.id, desk.frame);
      if (pose) axes.forEach((axis, i) => facts[i].show(lengthText(pose[axis], 3)));
      offset.show(step ? lengthText(Math.hypot(...step.slice(0, 3)), 3) : 'none');
    },
  };
}

function family(store, id) {
  const all = new Set([id]);
  for (let grown = true; grown; ) {
    grown = false;
    for (const n of store.nodes) {
      if (all.has(n.id) || !all.has(carrierOf(n))) continue;
      all.add(n.id);
      grown = true;
    }
  }
  return all;
}
