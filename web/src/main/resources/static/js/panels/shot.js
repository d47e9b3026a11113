// What holds for the whole shot, and in which unit this person reads lengths.
import { h } from '../common/dom.js';
import { aspectName, rateLabel } from '../common/format.js';
import { LENGTH_UNITS, lengthUnit, setLengthUnit } from '../common/units.js';
import { TANGENTS } from '../shot/tangents.js';
import { choice, row } from './fields.js';
import { NumberField } from './number-field.js';
import { framePart } from './picture-frame.js';

const ASPECTS = [16 / 9, 1.85, 2, 2.39, 21 / 9, 4 / 3, 1.66, 1, 0.8, 9 / 16];

export const shotPanel = {
  signature: (store) => `${store.header.aspect}`,

  build(store) {
    const set = (change) => store.edit([{ edit: 'change-header', ...change }]);
    const parts = [namePart(store, set), timePart(store, set), picturePart(store, set), framePart(store)];
    const length = h('span', { class: 'number' });
    return {
      title: 'Shot',
      aside: length,
      elements: [h('div', { class: 'rows' }, ...parts.flatMap((part) => part.rows), row('Lengths in', unitChoice()))],
      refresh() {
        parts.forEach((part) => part.refresh());
        const count = store.header.out - store.header.in + 1;
        length.textContent = `${count} f at ${rateLabel(store.header.rate)}`;
      },
    };
  },
};

function namePart(store, set) {
  const name = h('input', {
    type: 'text',
    maxlength: '120',
    'aria-label': 'Name of the shot',
    onchange: (event) => set({ name: event.target.value }),
  });
  return {
    rows: [row('Name', name)],
    refresh() {
      if (document.activeElement !== name) name.value = store.header.name;
    },
  };
}

/** First and last frame, and handles; changed when a drag ends, not while it goes on. */
function timePart(store, set) {
  const frames = (label, name, change) =>
    new NumberField({
      label,
      quantity: 'frames',
      unit: 'f',
      digits: 0,
      step: 1,
      rate: () => store.header.rate,
      get: () => store.header[name],
      set: (value, done) => (done ? set(change(Math.round(value))) : true),
    });
  const first = frames('First frame', 'in', (value) => ({ in: value, out: store.header.out }));
  const last = frames('Last frame', 'out', (value) => ({ in: store.header.in, out: value }));
  const handles = frames('Handles', 'handles', (value) => ({ handles: value }));
  const says = h('small', { text: 'frames computed beyond both ends' });
  return {
    rows: [row('First, last', first.element, last.element), row('Handles', handles.element, says)],
    refresh: () => [first, last, handles].forEach((f) => f.refresh()),
  };
}

function picturePart(store, set) {
  const now = store.header.aspect;
  const known = ASPECTS.find((a) => Math.abs(a - now) < 1e-6);
  const aspects = known ? ASPECTS : [...ASPECTS, now];
  const aspect = choice(
    'Picture aspect',
    aspects.map((a) => [a, aspectName(a)]),
    (value) => set({ aspect: Number(value) }),
  );
  const automatic = TANGENTS.filter(([kind]) => kind !== 'free').map(([kind, text]) => [kind, text]);
  const tangent = choice('Tangent of new keys', automatic, (value) => set({ newKeys: value }));
  return {
    rows: [row('Picture', aspect, h('span')), row('New keys', tangent, h('span'))],
    refresh() {
      aspect.value = known ?? now;
      tangent.value = store.header.newKeys;
    },
  };
}

function unitChoice() {
  const names = Object.entries(LENGTH_UNITS).map(([unit, { name }]) => [unit, name]);
  const select = choice('Unit of lengths', names, setLengthUnit);
  select.value = lengthUnit();
  select.title = 'How lengths are shown to you; any unit may be typed';
  return select;
}
