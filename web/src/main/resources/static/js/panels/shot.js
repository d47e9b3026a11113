// What holds for the whole shot.
import { h } from '../common/dom.js';
import { aspectName, rateLabel } from '../common/format.js';
import { TANGENTS } from '../shot/tangents.js';
import { NumberField } from './number-field.js';
import { choice, row } from './fields.js';

const ASPECTS = [16 / 9, 1.85, 2, 2.39, 21 / 9, 4 / 3, 1.66, 1, 0.8, 9 / 16];
const FIELDS = ['name', 'rate', 'in', 'out', 'handles', 'aspect', 'metresPerUnit', 'newKeys'];

export const shotPanel = {
  signature: (store) => `${store.header.aspect}`,

  build(store) {
    const header = () => Object.fromEntries(FIELDS.map((name) => [name, store.header[name]]));
    const set = (change, done = true) => {
      const edits = [{ edit: 'change-header', ...header(), ...change }];
      if (!done) return true; // the range is changed when the drag ends
      return store.edit(edits);
    };
    const frames = (name, label) =>
      new NumberField({
        label,
        quantity: 'frames',
        unit: 'f',
        digits: 0,
        step: 1,
        rate: () => store.header.rate,
        get: () => store.header[name],
        set: (value, done) => set({ [name]: Math.round(value) }, done),
      });
    const first = frames('in', 'First frame');
    const last = frames('out', 'Last frame');
    const handles = frames('handles', 'Handles');
    const name = h('input', {
      type: 'text',
      maxlength: '120',
      'aria-label': 'Name of the shot',
      onchange: (event) => set({ name: event.target.value }),
    });
    const known = ASPECTS.find((a) => Math.abs(a - store.header.aspect) < 1e-6);
    const aspect = choice(
      'Picture aspect',
      [
        ...ASPECTS.map((a) => [a, aspectName(a)]),
        ...(known ? [] : [[store.header.aspect, aspectName(store.header.aspect)]]),
      ],
      (value) => set({ aspect: Number(value) }),
    );
    const tangent = choice(
      'Tangent of new keys',
      TANGENTS.filter(([kind]) => kind !== 'free').map(([kind, text]) => [kind, text]),
      (value) => set({ newKeys: value }),
    );
    const length = h('span', { class: 'number' });
    return {
      title: 'Shot',
      aside: length,
      elements: [
        h(
          'div',
          { class: 'rows' },
          row('Name', name),
          row('First, last', first.element, last.element),
          row('Handles', handles.element, h('small', { text: 'frames computed beyond both ends' })),
          row('Picture', aspect, h('span')),
          row('New keys', tangent, h('span')),
        ),
      ],
      refresh() {
        [first, last, handles].forEach((f) => f.refresh());
        if (document.activeElement !== name) name.value = store.header.name;
        aspect.value = known ?? store.header.aspect;
        tangent.value = store.header.newKeys;
        const count = store.header.out - store.header.in + 1;
        length.textContent = `${count} f at ${rateLabel(store.header.rate)}`;
      },
    };
  },
};
