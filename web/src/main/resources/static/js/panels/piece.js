// Sizes and colour of a piece, or the light of a sun.
import { h } from '../common/dom.js';
import { NumberField } from './number-field.js';
import { choice, heads, row } from './fields.js';
import { cardPictures } from './card-pictures.js';
import { letteringPart } from './lettering.js';
import { shownPart } from './shown.js';

const ABREAST = 3;
const NAMES = {
  width: 'Width',
  height: 'Height',
  depth: 'Depth',
  length: 'Length',
  radius: 'Radius',
  radiusBottom: 'Radius, foot',
  radiusTop: 'Radius, top',
  rise: 'Rise',
  run: 'Run',
  steps: 'Steps',
  opening: 'Opening',
  plank: 'Plank',
  gap: 'Gap',
  beam: 'Beam',
};

export const piecePanel = {
  signature: (store, node) => (node.kind === 'sun' ? 'sun' : node.shape.kind),

  build(store, desk, node) {
    const panel = node.kind === 'sun' ? sun(store, node) : piece(store, desk, node);
    const shown = shownPart(store, desk, node.id);
    panel.elements[0].append(...shown.rows);
    return {
      ...panel,
      refresh() {
        panel.refresh();
        shown.refresh();
      },
    };
  },
};

function give(store, edits, done) {
  if (!done) {
    store.show(edits);
    return true;
  }
  return store.edit(edits);
}

/** A number for each size that the shape of a piece has. */
function sizeFields(store, node, now, set) {
  const sizes = Object.keys(node.shape).filter((name) => name in NAMES);
  const fields = sizes.map(
    (name) =>
      new NumberField({
        label: NAMES[name],
        quantity: name === 'steps' ? 'plain' : 'length',
        unit: name === 'steps' ? '' : 'm',
        digits: name === 'steps' ? 0 : 3,
        step: name === 'steps' ? 1 : 0.05,
        rate: () => store.header.rate,
        get: () => now().shape[name] ?? null,
        set: (value, done) =>
          set({ ...now().shape, [name]: name === 'steps' ? Math.round(value) : value }, now().finish, done),
      }),
  );
  return { fields, rows: sizeRows(fields, sizes) };
}

/** Three sizes in a row, under their names. */
function sizeRows(fields, sizes) {
  if (fields.length === 1) return [row(NAMES[sizes[0]], fields[0].element)];
  const rows = [];
  for (let at = 0; at < fields.length; at += ABREAST) {
    const names = sizes.slice(at, at + ABREAST).map((name) => NAMES[name]);
    const cells = fields.slice(at, at + ABREAST).map((field) => field.element);
    while (cells.length < ABREAST) cells.push(h('span'));
    rows.push(heads(...names), row(at ? '' : 'Size', ...cells));
  }
  return rows;
}

function piece(store, desk, node) {
  const { id } = node;
  const now = () => store.byId.get(id);
  const set = (shape, finish, done = true) => give(store, [{ edit: 'set-piece', id, shape, finish }], done);
  const onCard =
    node.shape.kind === 'card'
      ? [
          cardPictures(store, desk, now, set),
          letteringPart(store, now, (finish, done) => set(now().shape, finish, done)),
        ]
      : [];
  const { fields, rows } = sizeFields(store, node, now, set);
  const colour = h('input', {
    type: 'color',
    'aria-label': 'Colour',
    value: node.finish.colour,
    onchange: (event) => set(now().shape, { ...now().finish, colour: event.target.value }),
  });
  const kind = choice(
    'Surface',
    [
      ['matt', 'matt'],
      ['glow', 'glows'],
      ['water', 'water'],
    ],
    (value) => set(now().shape, { ...now().finish, kind: value }),
  );
  const four = h('input', {
    type: 'checkbox',
    onchange: (event) => set({ ...now().shape, fourSided: event.target.checked }, now().finish),
  });
  return {
    title: `Piece · ${node.name}`,
    aside: h('small', {
      text: node.shape.kind === 'imported' ? `${node.shape.triangles} triangles from a file` : node.shape.kind,
    }),
    elements: [
      h(
        'div',
        { class: 'rows' },
        ...rows,
        node.shape.kind === 'stair' ? h('label', {}, four, 'Steps on four sides') : null,
        row('Colour', colour, kind),
        ...onCard.flatMap((part) => part.rows),
      ),
    ],
    refresh() {
      fields.forEach((f) => f.refresh());
      colour.value = now().finish.colour;
      kind.value = now().finish.kind;
      four.checked = Boolean(now().shape.fourSided);
      onCard.forEach((part) => part.refresh());
    },
  };
}

function sun(store, node) {
  const { id } = node;
  const now = () => store.byId.get(id);
  const set = (colour, strength, done = true) => give(store, [{ edit: 'set-sun', id, colour, strength }], done);
  const strength = new NumberField({
    label: 'Strength',
    quantity: 'plain',
    unit: '×',
    digits: 2,
    step: 0.05,
    rate: () => store.header.rate,
    get: () => now().strength,
    set: (value, done) => set(now().colour, value, done),
  });
  const colour = h('input', {
    type: 'color',
    'aria-label': 'Colour',
    value: node.colour,
    onchange: (event) => set(event.target.value, now().strength),
  });
  return {
    title: `Light · ${node.name}`,
    elements: [
      h(
        'div',
        { class: 'rows' },
        row('Strength', strength.element),
        row('Colour', colour),
        h('p', { class: 'note', text: 'It shines along its own direction: pan and tilt set it under Keys.' }),
      ),
    ],
    refresh() {
      strength.refresh();
      colour.value = now().colour;
    },
  };
}
