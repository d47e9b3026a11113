// How the picture is laid out: its size, the guides over it, what another aspect would leave.
import { h } from '../common/dom.js';
import { aspectName } from '../common/format.js';
import { GUIDES, heightPx, MASKS } from '../shot/picture-frame.js';
import { choice, labelled, row } from './fields.js';
import { NumberField } from './number-field.js';

const NO_MASK = 0;
const USUAL_OPACITY = 0.6;
const SAME = 0.005;
const PERCENT = 100;

export function framePart(store) {
  const set = (change, done = true) => {
    const edits = [{ edit: 'set-picture', picture: { ...store.picture, ...change } }];
    if (done) return store.edit(edits);
    store.show(edits);
    return true;
  };
  const all = [sizePart(store, set), guidesPart(store, set), gridPart(store, set), maskPart(store, set)];
  return {
    rows: all.flatMap((part) => part.rows),
    refresh: () => all.forEach((part) => part.refresh()),
  };
}

const field = (store, options) =>
  new NumberField({ quantity: 'plain', unit: '', digits: 0, step: 1, rate: () => store.header.rate, ...options });

function sizePart(store, set) {
  const width = field(store, {
    label: 'Width of the picture in pixels',
    unit: 'px',
    step: 10,
    get: () => store.picture.widthPx,
    set: (value, done) => set({ widthPx: Math.round(value) }, done),
  });
  const pixel = field(store, {
    label: 'Width of a pixel by its height',
    digits: 3,
    step: 0.01,
    usual: 1,
    get: () => store.picture.pixelAspect,
    set: (value, done) => set({ pixelAspect: value }, done),
  });
  const says = h('small');
  return {
    rows: [row('Size', width.element, says, labelled('pixel', pixel.element))],
    refresh() {
      width.refresh();
      pixel.refresh();
      says.textContent = `× ${heightPx(store.picture, store.header.aspect)} px`;
    },
  };
}

function guidesPart(store, set) {
  const boxes = GUIDES.map(([name, label, title]) => {
    const box = h('input', {
      type: 'checkbox',
      onchange: () => {
        const others = store.picture.guides.filter((each) => each !== name);
        set({ guides: box.checked ? [...others, name] : others });
      },
    });
    return { name, box, element: h('label', { title }, box, label) };
  });
  const list = h('span', { class: 'ticks' }, ...boxes.map((each) => each.element));
  return {
    rows: [h('div', { class: 'row one' }, h('span', { text: 'Guides' }), list)],
    refresh: () =>
      boxes.forEach(({ name, box }) => {
        box.checked = store.picture.guides.includes(name);
      }),
  };
}

function gridPart(store, set) {
  const side = (index, label) =>
    field(store, {
      label,
      get: () => store.picture.grid[index],
      set: (value, done) =>
        set({ grid: store.picture.grid.map((v, i) => (i === index ? Math.max(1, Math.round(value)) : v)) }, done),
    });
  const fields = [side(0, 'Fields of the grid across'), side(1, 'Fields of the grid down')];
  const element = row('Own grid', labelled('across', fields[0].element), labelled('down', fields[1].element));
  return {
    rows: [element],
    refresh() {
      fields.forEach((each) => each.refresh());
      element.hidden = !store.picture.guides.includes('grid');
    },
  };
}

function maskPart(store, set) {
  const known = (aspect) => MASKS.findIndex(([mask]) => Math.abs(mask - aspect) < SAME);
  const options = [[NO_MASK, 'no mask'], ...MASKS.map(([, name], i) => [i + 1, name]), [-1, 'another']];
  const mask = choice('Mask of another aspect', options, (at) => {
    const opacity = store.picture.mask?.opacity ?? USUAL_OPACITY;
    const aspect = MASKS[Number(at) - 1]?.[0];
    set({ mask: aspect ? { aspect, opacity } : null });
  });
  const opacity = field(store, {
    label: 'Opacity of the mask',
    unit: '%',
    step: 5,
    get: () => (store.picture.mask ? store.picture.mask.opacity * PERCENT : null),
    set: (value, done) => set({ mask: { ...store.picture.mask, opacity: value / PERCENT } }, done),
  });
  const dark = labelled('dark', opacity.element);
  return {
    rows: [row('Mask', mask, dark)],
    refresh() {
      const now = store.picture.mask;
      const at = now ? known(now.aspect) + 1 : NO_MASK;
      mask.value = now && at === 0 ? -1 : at;
      mask.options[mask.options.length - 1].hidden = !now || at > 0;
      if (now && at === 0) mask.options[mask.options.length - 1].textContent = aspectName(now.aspect);
      dark.hidden = !now;
      opacity.refresh();
    },
  };
}
