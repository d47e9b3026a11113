// What carries a node.
import { button, h } from '../common/dom.js';
import { lengthText } from '../common/units.js';
import { carrierAt, everCarrying, handOversOf, isOff, offsetAt, scheduleOf } from '../shot/parts.js';
import { choice, fact, row } from './fields.js';
import { handOversPart } from './hand-overs.js';

const KEEPS = [
  ['fitted', 'its motion, in few keys'],
  ['every-frame', 'its motion, a key a frame'],
  ['place', 'its place at the playhead'],
  ['numbers', 'its own numbers'],
];
const OFFSET_SAYS = 'Constant step between carrier and node, which keeps a keyed node in place';

export const carriedPanel = {
  signature: (store, node, desk) => {
    const carriers = store.nodes.filter(isCarrier).map((n) => n.id + n.name);
    const schedule = scheduleOf(node).map(({ id, node: carrier, offset }) => `${id} ${carrier} ${offset}`);
    return `${carriers.join()} ${schedule.join()} ${carrierAt(node, desk.frame)} ${offsetAt(node, desk.frame)}`;
  },

  build(store, desk, node) {
    const { id } = node;
    const ids = () => several(desk, id);
    const carry = (carrier, keep = undefined) => desk.nodes.carry(ids(), carrier, keep);
    const which = desk.nodes.keeping(id);
    const keeps = keepsChoice(desk, which);
    const carriers = (label, change) => carrierChoice(store, node, label, change);
    const first = carriers('Carried by', (to) => carry(to));
    first.value = carrierAt(node, desk.frame);
    const handed = handOversPart(store, desk, node, carriers, ids);
    const place = placePart(store, desk, node);
    const says = h('small', { class: 'note' });
    return {
      title: `Carried by · ${node.name}`,
      aside: says,
      elements: [
        h(
          'div',
          { class: 'rows' },
          row(handOversOf(node).length ? 'Now by' : 'Carrier', first),
          row('It keeps', keeps),
          handed.element,
          h('div', { class: 'buttons' }, ...buttons(store, desk, node, carry)),
          place.element,
        ),
      ],
      refresh() {
        const off = isOff(store.byId.get(id), 'carried');
        says.textContent = off ? `switched off: the carrier stands as at ${desk.first()}` : '';
        keeps.value = desk.keeps[which];
        handed.refresh();
        place.refresh();
      },
    };
  },
};

const CARRYING = ['null', 'piece', 'rail', 'repeat'];
const isCarrier = (node) => CARRYING.includes(node.kind);

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

/** What may carry a node: nulls, rails and pieces, with what carries them. */
function carrierChoice(store, node, label, change) {
  const own = family(store, node.id);
  const carriers = store.nodes.filter((n) => isCarrier(n) && !own.has(n.id));
  const way = (n) => [...store.carriersOf(n.id), n].map((c) => c.name).join(' › ');
  const option = (n) => h('option', { value: n.id, text: way(n) });
  const group = (name, kind) => h('optgroup', { label: name }, ...carriers.filter((n) => n.kind === kind).map(option));
  const pick = choice(label, [['', 'The world']], change);
  pick.append(group('Nulls', 'null'), group('Rails', 'rail'), group('Repeats', 'repeat'), group('Pieces', 'piece'));
  return pick;
}

function buttons(store, desk, node, carry) {
  return [
    button('Add a null above', () => desk.nodes.addAbove(), {
      title: 'A new null in the middle of this, between it and its carrier (n)',
    }),
    carrierAt(node, desk.frame) ? button('Let go', () => carry('')) : null,
    offsetAt(node, desk.frame)
      ? button('Clear offset', () => carry(carrierAt(node, desk.frame), 'numbers'), {
          title: 'Take the own numbers as they are',
        })
      : null,
  ];
}

/** Where it is in the world, and its offset. */
function placePart(store, desk, node) {
  const axes = ['x', 'y', 'z'];
  const facts = axes.map((axis) => fact(`World ${axis}`, 'Place in the world'));
  const offset = fact('Offset', OFFSET_SAYS);
  const step = offsetAt(node, desk.frame);
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
      if (all.has(n.id) || !everCarrying(n).some((carrier) => all.has(carrier))) continue;
      all.add(n.id);
      grown = true;
    }
  }
  return all;
}
