// How a node rides a rail: its pace, how it is turned, and its timing pins.
import { button, h } from '../common/dom.js';
import { trimmed } from '../common/format.js';
import { boundsOf, disputedOf, pacePath, percentAt, rideMetres } from '../shot/rails.js';
import { idOf, partOf, pathsIn } from '../shot/parts.js';
import { channelField, labelled, row } from './fields.js';
import { NumberField } from './number-field.js';
import { panelOf } from './part-panel.js';

const TURNS = [
  ['level', 'Level', 'Ahead along the rail, the horizon level'],
  ['rail', 'With the rail', 'Ahead along the rail, turning about it as little as can be'],
  ['free', 'Free', 'Turned as its own keys say, wherever the rail goes'],
];

export const ridePanel = {
  signature: (store, node, desk) => {
    const part = partOf(node, desk.card);
    return JSON.stringify([part?.id, part?.rail, part?.turn, part?.pins?.map((p) => p.id)]);
  },

  build(store, desk, node) {
    const part = partOf(node, desk.card);
    const args = [store, desk, node.id, idOf(part)];
    const parts = [pacePart(...args), turnPart(...args), bankPart(...args), pinPart(...args)];
    return panelOf(store, desk, node, part, parts);
  },
};

const now = (store, id, partId) => partOf(store.byId.get(id), partId);

/** How far along it is, in per cent and in metres, and how far beside the rail. */
function pacePart(store, desk, id, partId) {
  const part = now(store, id, partId);
  const [pace, side, height] = pathsIn(part).map((path) => channelField(store, desk, id, path));
  const metres = new NumberField({
    label: 'Distance from the start of the rail',
    quantity: 'length',
    unit: 'm',
    digits: 2,
    step: 0.1,
    rate: () => store.header.rate,
    get: () => rideMetres(store, store.byId.get(id), now(store, id, partId), desk.frame),
    at: () => desk.frame,
    set: (value, done, frame) => {
      const ride = now(store, id, partId);
      const path = pacePath(ride);
      const values = { [path]: percentAt(store, id, ride, value) };
      const edit = (keying) => ({ edit: 'set-values', id, frame, values, keying });
      return desk.change(store.byId.get(id), [path], edit, { done, frame });
    },
  });
  const rail = button('', () => desk.select(part.rail), { title: 'Choose the rail' });
  const says = h('small', { class: 'note' });
  return {
    rows: [
      row('Rail', rail, says),
      row('Pace', pace.element, labelled('or', metres.element)),
      row('Aside', side.element, labelled('Height', height.element)),
    ],
    refresh() {
      const ride = now(store, id, partId);
      rail.textContent = store.byId.get(ride.rail)?.name ?? '';
      const stretches = boundsOf(store, id, ride).length - 1;
      says.textContent =
        stretches > 1
          ? `${stretches} stretches of 100 % each`
          : `100 % is ${trimmed(boundsOf(store, id, ride)[1], 2)} m`;
      [pace, metres, side, height].forEach((field) => field.refresh());
    },
  };
}

/** A number among the settings of a ride. */
function setting(store, desk, id, partId, options) {
  const { name, usual } = options;
  return new NumberField({
    rate: () => store.header.rate,
    get: () => now(store, id, partId)?.[name] ?? usual,
    set: (value, done) => desk.rails.setRide(id, now(store, id, partId), { [name]: value }, done),
    ...options,
  });
}

function turnPart(store, desk, id, partId) {
  const { turn = 'level' } = now(store, id, partId);
  const buttons = TURNS.map(([kind, text, title]) =>
    button(text, () => desk.rails.setRide(id, now(store, id, partId), { turn: kind }), {
      title,
      'aria-pressed': String(kind === turn),
    }),
  );
  const ahead = setting(store, desk, id, partId, {
    name: 'lookAhead',
    label: 'Look ahead',
    quantity: 'length',
    unit: 'm',
    digits: 2,
    step: 0.1,
    usual: 0,
  });
  return {
    rows: [
      h('div', { class: 'row one' }, h('span', { text: 'Turned' }), h('span', { class: 'segments' }, ...buttons)),
      row('Look ahead', ahead.element, h('small', { class: 'note', text: 'metres along the rail' })),
    ],
    refresh: () => ahead.refresh(),
  };
}

function bankPart(store, desk, id, partId) {
  const of = (name, label, unit, quantity, usual, step) =>
    setting(store, desk, id, partId, { name, label, unit, quantity, usual, step, digits: 2 });
  const fields = [
    of('bank', 'Lean into bends', '', 'plain', 0, 0.1),
    of('bankLimit', 'The most it leans', '°', 'angle', 30, 1),
    of('bankSmooth', 'Eased over', 'f', 'plain', 0, 1),
  ];
  return {
    rows: [row('Lean', fields[0].element, labelled('limit', fields[1].element), labelled('eased', fields[2].element))],
    refresh: () => fields.forEach((field) => field.refresh()),
  };
}

/** Which stretches of the rail are bound to frames, and which go as the pace says. */
function bindings(store, id, ride) {
  const bounds = boundsOf(store, id, ride);
  const pins = ride.pins ?? [];
  return bounds.slice(1).map((to, i) => {
    const metres = `${trimmed(bounds[i], 2)} to ${trimmed(to, 2)} m`;
    const [before, behind] = [pins[i - 1], pins[i]];
    if (before && behind) return `${metres}: bound to ${before.frame} to ${behind.frame}`;
    if (behind) return `${metres}: bound until ${behind.frame}`;
    return before ? `${metres}: open from ${before.frame} on` : `${metres}: as the pace says`;
  });
}

/** Places on the rail that are tied to frames. */
function pinPart(store, desk, id, partId) {
  const ride = now(store, id, partId);
  const rows = (ride.pins ?? []).map((pin) => pinRow(store, desk, id, partId, pin));
  const pin = () => desk.rails.pin(id, now(store, id, partId));
  const toKeys = () => desk.rails.toKeys(id, now(store, id, partId));
  const says = h('small', { class: 'note' });
  const bound = h('small', { class: 'note stretches' });
  return {
    rows: [
      ...rows.map((each) => each.element),
      row('Timing', button('Pin here', pin, { title: 'Ties the place where it is to the playhead' }), says),
      h('div', { class: 'row one' }, h('span', { text: 'Stretches' }), bound),
      row('Turn into', button('Keys', toKeys, { title: 'Its motion as keys of its own, off the rail' }), h('span')),
    ],
    refresh() {
      rows.forEach((each) => each.refresh());
      bound.textContent = bindings(store, id, now(store, id, partId)).join(' · ');
      says.textContent = disputed(store, id, now(store, id, partId));
    },
  };
}

function pinRow(store, desk, id, partId, { id: stamp, frame }) {
  const pinNow = () => now(store, id, partId)?.pins?.find((p) => p.id === stamp);
  const field = new NumberField({
    label: `Frame of the pin at ${frame}`,
    quantity: 'frames',
    unit: 'f',
    digits: 1,
    step: 1,
    rate: () => store.header.rate,
    get: () => pinNow()?.frame ?? null,
    set: (value, done) => {
      const edits = [{ edit: 'move-stamp', id, part: partId, stamp, frame: value }];
      if (done) return store.edit(edits);
      store.show(edits);
      return true;
    },
  });
  const at = h('small', { class: 'note' });
  const away = button('×', () => store.edit([{ edit: 'remove-stamp', id, part: partId, stamp }]), {
    class: 'away',
    title: 'Take this pin away; nothing moves',
    'aria-label': `Take the pin at ${frame} away`,
  });
  return {
    element: row('Pin', field.element, h('span', { class: 'with-away' }, at, away)),
    refresh() {
      field.refresh();
      const ride = now(store, id, partId);
      const index = ride.pins?.findIndex((p) => p.id === stamp) ?? -1;
      at.textContent = index < 0 ? '' : `at ${trimmed(boundsOf(store, id, ride)[index + 1], 2)} m`;
    },
  };
}

/** Which pace keys say something else than a pin. */
function disputed(store, id, ride) {
  const frames = disputedOf(store, id, ride);
  if (!frames.length) return ride.pins?.length ? '' : 'What is before a pin keeps its timing';
  const at = frames.map((frame) => trimmed(frame, 1)).join(', ');
  return `The pace at ${at} says something else: the pin wins`;
}
