// What parts have in common, for their panels: a field for each parameter, the window, and what is done to a card.
import { button, h } from '../common/dom.js';
import { idOf, isOff, kindOf, partOf, pathsIn, titleOf } from '../shot/parts.js';
import { channelField, labelled, row } from './fields.js';
import { NumberField } from './number-field.js';

/**
 * Fields for the parameters of a part, two in a row: their rows, and what refreshes them.
 *
 * @param {(parameter: {id: string}) => boolean} has whether a parameter has an effect as the part is set
 */
export function parametersPart(store, desk, id, part, has = () => true) {
  const all = pathsIn(part);
  const shown = kindOf(part)
    .parameters.map((parameter, i) => ({ parameter, path: all[i] }))
    .filter(({ parameter }) => has(parameter));
  const fields = shown.map(({ path }) => channelField(store, desk, id, path));
  const labels = shown.map(({ parameter }) => parameter.label);
  const rows = [];
  for (let i = 0; i < fields.length; i += 2) {
    const beside = fields[i + 1] ? labelled(labels[i + 1], fields[i + 1].element) : h('span');
    rows.push(row(labels[i], fields[i].element, beside));
  }
  return { rows, refresh: () => fields.forEach((field) => field.refresh()) };
}

/** The window of a part: its ends, open unless a frame is typed, and its fades. */
export function windowPart(store, desk, id, partId) {
  const now = () => partOf(store.byId.get(id), partId)?.window ?? {};
  const set = (change, done) => {
    const edits = [{ edit: 'set-stamp', id, part: partId, stamp: 'window', ...now(), ...change }];
    if (done) return store.edit(edits);
    store.show(edits);
    return true;
  };
  const frames = (name, label, empty) =>
    new NumberField({
      label,
      empty,
      quantity: 'frames',
      unit: 'f',
      digits: 1,
      step: 1,
      rate: () => store.header.rate,
      get: () => now()[name] ?? (empty ? null : 0),
      set: (value, done) => set({ [name]: value }, done),
    });
  const fields = [
    frames('from', 'First frame of the window', 'open'),
    frames('to', 'Last frame of the window', 'open'),
    frames('fadeIn', 'Fade in', ''),
    frames('fadeOut', 'Fade out', ''),
  ];
  const open = button('Open', () => set({ from: null, to: null, fadeIn: 0, fadeOut: 0 }, true), {
    title: 'Always, handles included',
  });
  return {
    rows: [
      row('Window', fields[0].element, fields[1].element, open),
      row('Fades', fields[2].element, fields[3].element),
    ],
    refresh() {
      fields.forEach((field) => field.refresh());
      open.disabled = !('from' in now() || 'to' in now());
    },
  };
}

/** Whether a chain has such a card only once it is added. @param {import('../shot/types.js').PartKind} kind */
const isAdded = ({ slot, many }) => slot === 'node' || slot === 'world' || (many && slot !== 'space');

/** The buttons for what is done to the card itself. */
function cardButtons(desk, id, partId) {
  const now = () => ({ node: desk.store.byId.get(id), part: partOf(desk.store.byId.get(id), partId) });
  return h(
    'span',
    { class: 'buttons' },
    kindOf(now().part).many &&
      button('Duplicate', () => desk.addPart(now().node, now().part), { title: 'Another card like this, behind it' }),
    button('Copy', () => desk.copyPart(now().node, now().part), {
      title: 'Copy this card; + in the chain of another node pastes it',
    }),
    button('Remove', () => desk.removePart(now().node, partId), { class: 'danger', title: 'Take this card away' }),
  );
}

/**
 * A panel for a part.
 *
 * @param parts gives the pieces of the panel: each {rows, refresh}
 */
export function panelOf(store, desk, node, part, parts) {
  const partId = idOf(part);
  const says = h('small', { class: 'note' });
  return {
    title: `${titleOf(node, part)} · ${node.name}`,
    aside: h('span', { class: 'aside' }, says, isAdded(kindOf(part)) ? cardButtons(desk, node.id, partId) : ''),
    elements: [h('div', { class: 'rows' }, ...parts.flatMap((each) => each.rows))],
    refresh() {
      const now = store.byId.get(node.id);
      if (!partOf(now, partId)) return;
      says.textContent = isOff(now, partId) ? 'switched off' : '';
      parts.forEach((each) => each.refresh());
    },
  };
}

/** The panel of parts that have none of their own. */
export const partPanel = {
  signature: (store, node, desk) => JSON.stringify([desk.card, partOf(node, desk.card)?.part]),

  build(store, desk, node) {
    const part = partOf(node, desk.card);
    const { window: hasWindow } = kindOf(part);
    const partId = idOf(part);
    return panelOf(store, desk, node, part, [
      parametersPart(store, desk, node.id, part),
      ...(hasWindow ? [windowPart(store, desk, node.id, partId)] : []),
    ]);
  },
};
