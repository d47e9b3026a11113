// A light, a mist, a haze: what each is set to.
import { h } from '../common/dom.js';
import { lengthText } from '../common/units.js';
import { framesPerSecond, trimmed } from '../common/format.js';
import { choice, heads, labelled, row } from './fields.js';
import { NumberField } from './number-field.js';
import { shownPart } from './shown.js';

const KINDS = [
  ['key', 'key: a cone with an edge'],
  ['fill', 'fill: wide and soft'],
  ['practical', 'practical: all around'],
];

/** What a panel needs to read and change settings that stand in one field of a node. */
class Work {
  constructor(store, desk, node, field, edit) {
    this.store = store;
    this.desk = desk;
    this.id = node.id;
    this.field = field;
    this.edit = edit;
    this.parts = [];
  }

  get now() {
    return this.store.byId.get(this.id)?.[this.field];
  }

  change(to, done = true) {
    const edits = [{ edit: this.edit, id: this.id, [this.field]: { ...this.now, ...to } }];
    if (done) return this.store.edit(edits);
    this.store.show(edits);
    return true;
  }

  number(name, label, { quantity = 'plain', unit = '', digits = 2, step = 0.1 } = {}) {
    const whole = digits === 0;
    const field = new NumberField({
      label,
      quantity,
      unit,
      digits,
      step,
      rate: () => this.store.header.rate,
      get: () => this.now?.[name] ?? 0,
      set: (value, done) => this.change({ [name]: whole ? Math.round(value) : value }, done),
    });
    this.parts.push(field);
    return field.element;
  }

  metres(name, label, step = 0.1) {
    return this.number(name, label, { quantity: 'length', unit: 'm', digits: 3, step });
  }

  colour() {
    const input = h('input', {
      type: 'color',
      'aria-label': 'Colour',
      onchange: () => this.change({ colour: input.value }),
    });
    this.parts.push({ refresh: () => (input.value = this.now.colour) });
    return input;
  }

  tick(name, text, title) {
    const box = h('input', { type: 'checkbox', onchange: () => this.change({ [name]: box.checked }) });
    this.parts.push({ refresh: () => (box.checked = Boolean(this.now[name])) });
    return h('label', { title }, box, text);
  }

  /** @param {Element[]} rows */
  panel(title, rows) {
    const shown = shownPart(this.store, this.desk, this.id);
    return {
      title,
      elements: [h('div', { class: 'rows' }, ...rows, ...shown.rows)],
      refresh: () => {
        if (!this.now) return;
        this.parts.forEach((part) => part.refresh());
        shown.refresh();
      },
    };
  }
}

export const lightPanel = {
  signature: () => 'light',

  build(store, desk, node) {
    const work = new Work(store, desk, node, 'lamp', 'set-light');
    const as = choice('What it is there for', KINDS, (value) => work.change({ as: value }));
    work.parts.push({ refresh: () => (as.value = work.now.as) });
    const shadows = work.tick('shadows', 'casts shadows', 'What stands in its way casts shadows');
    return work.panel(`Light · ${node.name}`, [
      row('Light', as),
      row('Strength', work.number('strength', 'Strength', { unit: '×', step: 0.1 }), work.colour()),
      row('Reach', work.metres('reach', 'Reach'), shadows),
      h('p', {
        class: 'note',
        text: 'Shine, under +, keys its brightness in stops. Pictures show 12 lights and copies, 4 with shadows.',
      }),
    ]);
  },
};

/** How fast a mist drifts after its speed was rounded to the loop. */
function driftText(store, id) {
  const drift = store.motion.get(id)?.drift;
  if (!drift) return '';
  const fps = framesPerSecond(store.header.rate);
  return `drifts ${drift.map((v) => trimmed(v * fps, 3)).join(', ')} m/s`;
}

export const mistPanel = {
  signature: () => 'mist',

  build(store, desk, node) {
    const work = new Work(store, desk, node, 'mist', 'set-mist');
    const says = h('small', { class: 'note' });
    work.parts.push({ refresh: () => (says.textContent = driftText(store, node.id)) });
    const count = work.number('count', 'Puffs', { digits: 0, step: 10 });
    const seed = work.number('seed', 'Seed', { digits: 0, step: 1 });
    const density = work.number('density', 'Density', { digits: 3, step: 0.01 });
    const loops = work.tick('loops', 'closes with the loop', 'Its speed is rounded so that it comes back');
    return work.panel(`Mist · ${node.name}`, [
      row('Puffs', count, labelled('radius', work.metres('puff', 'Radius of a puff')), labelled('seed', seed)),
      heads('across', 'high', 'deep'),
      row('Box', work.metres('width', 'Width'), work.metres('height', 'Height'), work.metres('depth', 'Depth')),
      heads('x', 'y', 'z'),
      row('Speed m/s', work.metres('x', 'Speed x'), work.metres('y', 'Speed y'), work.metres('z', 'Speed z')),
      row('Density', density, work.colour()),
      h('div', { class: 'row one' }, h('span', { text: 'Loop' }), h('span', { class: 'shown' }, loops, says)),
    ]);
  },
};

export const hazePanel = {
  signature: () => 'haze',

  build(store, desk, node) {
    const work = new Work(store, desk, node, 'haze', 'set-haze');
    const says = h('p', { class: 'note' });
    work.parts.push({
      refresh: () => (says.textContent = `Half of what stands ${lengthText(work.now.half, 1)} away is haze.`),
    });
    return work.panel(`Haze · ${node.name}`, [
      row('Half at', work.metres('half', 'Distance at which half is haze', 1), work.colour()),
      says,
    ]);
  },
};
