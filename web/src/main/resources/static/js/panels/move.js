// A move: what it does, how far, over which frames, how it gets going and comes to rest.
import { button, h } from '../common/dom.js';
import { idOf, partOf } from '../shot/parts.js';
import { choice, labelled, row } from './fields.js';
import { NumberField } from './number-field.js';
import { panelOf, parametersPart } from './part-panel.js';
import { targetPart } from './target-field.js';

/** What a move does, the unit of its amount, and what that measures. @type {[string, string, string, string][]} */
const WAYS = [
  ['orbit', 'Orbit', '°', 'angle'],
  ['crane', 'Crane', '°', 'angle'],
  ['dolly', 'Dolly', 'm', 'length'],
  ['truck', 'Truck', 'm', 'length'],
  ['pedestal', 'Pedestal', 'm', 'length'],
  ['pan', 'Pan', '°', 'angle'],
  ['tilt', 'Tilt', '°', 'angle'],
  ['roll', 'Roll', '°', 'angle'],
  ['zoom', 'Zoom', 'mm', 'lens-length'],
  ['hold', 'Hold', '', ''],
];
const AFTERS = [
  ['held', 'stays there'],
  ['returned', 'is gone'],
];
const PIVOTED = ['orbit', 'crane'];
const SETTINGS = ['way', 'amount', 'easeIn', 'easeOut', 'softness', 'after', 'rounds', 'pivot'];

export const movePanel = {
  signature: (store, node, desk) => {
    const part = partOf(node, desk.card);
    return JSON.stringify([
      desk.tried.is(part?.id),
      part?.id,
      part?.way,
      part?.after,
      part?.pivot,
      store.nodes.map((n) => n.id + n.name),
    ]);
  },

  build(store, desk, node) {
    const part = partOf(node, desk.card);
    const work = new Work(store, desk, node.id, idOf(part));
    const parts = [amountPart(work, node), framesPart(work), pivotOf(work, part), easePart(work), endPart(work)];
    const tried = desk.tried.is(idOf(part));
    const last = tried ? triedPart(desk) : parametersPart(store, desk, node.id, part);
    return panelOf(store, desk, node, part, [...parts, last]);
  },
};

/** What becomes of a move that is only tried. */
const triedPart = (desk) => ({
  rows: [
    h(
      'div',
      { class: 'buttons' },
      button('Set it', () => desk.tried.set(), { class: 'main', title: 'Keep this move (Enter)' }),
      button('Let it be', () => desk.tried.letBe(), { title: 'Take it away again (Esc)' }),
    ),
  ],
  refresh() {},
});

/** The move that is worked on. */
class Work {
  constructor(store, desk, id, partId) {
    this.store = store;
    this.desk = desk;
    this.id = id;
    this.partId = partId;
  }

  get part() {
    return partOf(this.store.byId.get(this.id), this.partId);
  }

  set(change, done = true) {
    const settings = Object.fromEntries(SETTINGS.filter((n) => n in this.part).map((n) => [n, this.part[n]]));
    const part = { part: 'move', id: this.partId, window: this.part.window, ...settings, ...change };
    if (this.desk.tried.is(this.partId)) return this.desk.tried.change(change);
    return this.give([{ edit: 'set-part', id: this.id, part }], done);
  }

  setFrames(change, done) {
    if (this.desk.tried.is(this.partId)) return this.desk.tried.change({ window: { ...this.part.window, ...change } });
    const stamp = { edit: 'set-stamp', id: this.id, part: this.partId, stamp: 'window' };
    return this.give([{ ...stamp, ...this.part.window, ...change }], done);
  }

  give(edits, done) {
    if (done) return this.store.edit(edits);
    this.store.show(edits);
    return true;
  }

  number(options) {
    return new NumberField({ rate: () => this.store.header.rate, ...options });
  }

  setting(name, usual, options) {
    return this.number({
      get: () => this.part?.[name] ?? usual,
      set: (value, done) => this.set({ [name]: value }, done),
      ...options,
    });
  }
}

function amountPart(work, node) {
  const ways = WAYS.filter(([way]) => way !== 'zoom' || node.kind === 'camera');
  const way = choice(
    'What it does',
    ways.map(([id, label]) => [id, label]),
    (next) => work.set({ way: next }),
  );
  way.value = work.part.way;
  const [, , unit, quantity] = WAYS.find(([id]) => id === work.part.way);
  const amount = work.setting('amount', 0, {
    label: 'How far',
    unit,
    quantity,
    digits: 2,
    step: unit === 'm' ? 0.1 : 1,
  });
  const shown = unit ? amount.element : h('small', { class: 'note', text: 'stands still while it lasts' });
  return { rows: [row('Does', way, shown)], refresh: () => amount.refresh() };
}

function framesPart(work) {
  const field = (name, label) =>
    work.number({
      label,
      quantity: 'frames',
      unit: 'f',
      digits: 1,
      step: 1,
      get: () => work.part?.window[name] ?? null,
      set: (value, done) => work.setFrames({ [name]: value }, done),
    });
  const fields = [field('from', 'First frame of the move'), field('to', 'Last frame of the move')];
  return {
    rows: [row('Frames', fields[0].element, labelled('to', fields[1].element))],
    refresh: () => fields.forEach((each) => each.refresh()),
  };
}

function pivotOf(work, part) {
  if (!PIVOTED.includes(part.way)) return { rows: [], refresh() {} };
  const { store, desk, id } = work;
  return targetPart(store, desk, {
    label: 'About',
    own: id,
    get: () => work.part?.pivot ?? { place: [0, 0, 0] },
    set: (pivot, done) => work.set({ pivot }, done),
  });
}

function easePart(work) {
  const frames = { unit: 'f', quantity: 'frames', digits: 1, step: 1 };
  const fields = [
    work.setting('easeIn', 0, { label: 'Frames to get going', ...frames }),
    work.setting('easeOut', 0, { label: 'Frames to come to rest', ...frames }),
    work.setting('softness', 0, { label: 'Softness', unit: '', quantity: 'plain', digits: 2, step: 0.05 }),
  ];
  return {
    rows: [row('Ease in', fields[0].element, labelled('out', fields[1].element), labelled('soft', fields[2].element))],
    refresh: () => fields.forEach((each) => each.refresh()),
  };
}

function endPart(work) {
  const rounds = work.setting('rounds', 1, { label: 'How often', unit: '×', quantity: 'plain', digits: 0, step: 1 });
  const after = choice('Behind its end', AFTERS, (next) => work.set({ after: next }));
  after.value = work.part.after ?? 'held';
  const toKeys = () =>
    work.desk.nodes.tellKeys([work.id], () =>
      work.store.edit([{ edit: 'moves-to-keys', id: work.id, keep: work.desk.keeps.change }]),
    );
  const keys = button('All moves to keys', toKeys, { title: 'The motion stays; the blocks of this node become keys' });
  return {
    rows: [row('Repeat', rounds.element, labelled('then', after)), row('Turn into', keys, h('span'))],
    refresh: () => rounds.refresh(),
  };
}
