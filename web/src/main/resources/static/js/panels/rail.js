// A rail: its anchors, its ends, and who rides it.
import { button, h } from '../common/dom.js';
import { lengthText } from '../common/units.js';
import { trimmed } from '../common/format.js';
import { anchorsOf, inRail, railLength, rideMetres, rideOf, ridersOf } from '../shot/rails.js';
import { choice, fact, row } from './fields.js';
import { NumberField } from './number-field.js';

const KINDS = [
  ['smooth', 'Smooth', 'Its tangents follow the anchors on both sides'],
  ['corner', 'Corner', 'The rail leaves straight to both sides'],
  ['free', 'Free', 'Its tangents are set by hand, on one line'],
  ['broken', 'Broken', 'Its tangents are set by hand, each for itself'],
];
const AXES = ['x', 'y', 'z'];

export const railPanel = {
  signature: (store, node, desk) => {
    const anchors = node.rail.anchors.map((a) => `${a.id}${a.kind}`).join();
    const riders = ridersOf(store, node.id).map((n) => n.id + n.name);
    const others = store.nodes.map((n) => n.id + n.name + n.kind).join();
    return `${anchors} ${node.rail.closed} ${riders} ${desk.rails.chosenOf(node)} ${others}`;
  },

  build(store, desk, node) {
    const length = fact('Length', 'Along the rail');
    const count = fact('Anchors', 'Places it goes through');
    const parts = [shapePart(store, desk, node), anchorPart(store, desk, node), riderPart(store, desk, node)];
    return {
      title: `Rail · ${node.name}`,
      elements: [
        h(
          'div',
          { class: 'rows' },
          h('div', { class: 'facts' }, length.element, count.element),
          ...parts.flatMap((part) => part.rows),
        ),
      ],
      refresh() {
        if (!store.byId.has(node.id)) return;
        length.show(lengthText(railLength(store, node.id), 3));
        count.show(`${node.rail.anchors.length}${node.rail.closed ? ', closed' : ''}`);
        parts.forEach((part) => part.refresh?.());
      },
    };
  },
};

const group = (name, ...elements) =>
  h('div', { class: 'row one' }, h('span', { text: name }), h('span', { class: 'buttons' }, ...elements));

/** Its ends, and other rails. */
function shapePart(store, desk, node) {
  const { id } = node;
  const { closed } = node.rail;
  const rails = store.nodes.filter((n) => n.kind === 'rail' && n.id !== id && !n.rail.closed);
  const join = choice(
    'Go on into another rail',
    [['', 'join another rail …'], ...rails.map((n) => [n.id, n.name])],
    (other) => (other ? store.edit([{ edit: 'join-rails', id, other, frame: desk.frame }]) : null),
  );
  const from = (end) => desk.rails.begin('extend', { id, end });
  return {
    rows: [
      group(
        'Shape',
        button('Reverse', () => desk.rails.shape(id, { change: 'reverse' }), {
          title: 'Run through the other way; what rides it is where it was at every frame',
        }),
        button(closed ? 'Open' : 'Close', () => desk.rails.shape(id, { change: 'close', closed: !closed })),
        closed ? null : button('Extend', () => from('end'), { title: 'Click on the plan for anchors behind its end' }),
        closed ? null : button('Extend before', () => from('start'), { title: 'The same before its start' }),
      ),
      closed || !rails.length ? null : row('Join', join),
    ].filter(Boolean),
  };
}

/** The anchors that are chosen. */
function anchorPart(store, desk, node) {
  const { id } = node;
  const chosen = desk.rails.chosenOf(node);
  if (!chosen.length)
    return {
      rows: [
        h('p', {
          class: 'note',
          text: 'Choose an anchor on the plan, from the side or outside; Alt and a click puts one in.',
        }),
      ],
    };
  const kinds = KINDS.map(([kind, text, title]) => {
    const on = chosen.every((each) => (node.rail.anchors.find((a) => a.id === each).kind ?? 'smooth') === kind);
    return button(text, () => desk.rails.shape(id, { change: 'kind', anchors: chosen, kind }), {
      title,
      'aria-pressed': String(on),
    });
  });
  const remove = button('Delete', () => desk.rails.shape(id, { change: 'remove', anchors: chosen }), {
    class: 'danger',
  });
  const split = () => {
    const newName = store.freeName(`${node.name} rest`);
    store.edit([{ edit: 'split-rail', id, anchor: chosen[0], newId: store.freeId('rail'), newName }]);
  };
  const fields = chosen.length === 1 ? placeFields(store, desk, node, chosen[0]) : [];
  return {
    rows: [
      h('div', { class: 'row one' }, h('span', { text: 'Anchor' }), h('span', { class: 'segments' }, ...kinds)),
      ...(fields.length ? [row('World', ...fields.map((field) => field.element))] : []),
      group('', remove, chosen.length === 1 && !node.rail.closed ? button('Split here', split) : null),
    ],
    refresh: () => fields.forEach((field) => field.refresh()),
  };
}

/** The place of an anchor in the world. */
function placeFields(store, desk, node, anchor) {
  const now = () => anchorsOf(store, store.byId.get(node.id), desk.frame).find((a) => a.id === anchor)?.at;
  return AXES.map(
    (axis, i) =>
      new NumberField({
        label: `Anchor ${axis} in the world`,
        quantity: 'length',
        unit: 'm',
        digits: 3,
        step: 0.05,
        rate: () => store.header.rate,
        get: () => now()?.[i] ?? null,
        set: (value, done) => {
          const step = [0, 0, 0];
          step[i] = value - now()[i];
          const [dx, dy, dz] = inRail(store, node, desk.frame, step);
          if (!done) return true;
          return desk.rails.shape(node.id, { change: 'move', anchors: [anchor], dx, dy, dz });
        },
      }),
  );
}

/** Who rides it, and where they are. */
function riderPart(store, desk, node) {
  const riders = ridersOf(store, node.id);
  const facts = riders.map((rider) => {
    const at = h('small', { class: 'note' });
    const element = h(
      'div',
      { class: 'row one' },
      h('span', { text: '' }),
      h(
        'span',
        { class: 'buttons' },
        button(rider.name, () => desk.select(rider.id, rideOf(rider, node.id).id)),
        at,
      ),
    );
    const show = () => {
      const ride = rideOf(store.byId.get(rider.id) ?? rider, node.id);
      const metres = ride ? rideMetres(store, rider, ride, desk.frame) : null;
      at.textContent = metres === null ? '' : `at ${trimmed(metres, 2)} m`;
    };
    return { element, show };
  });
  const free = store.nodes.filter((n) => n.kind !== 'rail' && !rideOf(n, node.id) && n.id !== node.id);
  const put = choice('Put on this rail', [['', 'put on it …'], ...free.map((n) => [n.id, n.name])], (id) =>
    id ? desk.rails.ride([id], node.id) : null,
  );
  return {
    rows: [row('Ridden by', put), ...facts.map((each) => each.element)],
    refresh: () => facts.forEach((each) => each.show()),
  };
}
