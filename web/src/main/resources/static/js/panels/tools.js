// Work on many keys at once: copying, the whole rig, fewer or more keys, which curves take keys.
import { button, h } from '../common/dom.js';
import { toast } from '../common/toasts.js';
import { keysOf } from '../shot/keys.js';
import { allFamilies, axisName, parameterOf, pathName, pathsOf, takesKeysOf } from '../shot/parts.js';
import { NumberField } from './number-field.js';
import { labelled } from './fields.js';

/** Reducing lets pass ten times what a curve may swing past its keys, unless another number is typed. */
const REDUCE_OVER_OVERSHOOT = 10;

/** What is asked for by number here, kept while other panels are shown. */
const asked = { step: 1, tolerances: {} };

const tool = (name, ...elements) =>
  h('div', { class: 'row one' }, h('span', { text: name }), h('span', { class: 'buttons' }, ...elements));

export const toolsPanel = {
  signature: (store, node) => (node ? pathsOf(node).join() : ''),

  build(store, desk, node) {
    if (!node) return nothing();
    const work = new Work(store, desk, node.id);
    const parts = [rigPart(work), copyPart(work), takesPart(work), reducePart(work), bakePart(work)];
    return {
      title: `Tools · ${node.name}`,
      aside: h('small', { text: 'all at the playhead' }),
      elements: [h('div', { class: 'rows' }, ...parts.flatMap((part) => part.rows))],
      refresh() {
        if (store.byId.has(node.id)) parts.forEach((part) => part.refresh());
      },
    };
  },
};

const nothing = () => ({
  title: 'Tools',
  elements: [h('p', { class: 'note', text: 'Choose something in the list of what is on set.' })],
  refresh() {},
});

/** The node that is worked on, and its keys. */
class Work {
  constructor(store, desk, id) {
    this.store = store;
    this.desk = desk;
    this.id = id;
  }

  get node() {
    return this.store.byId.get(this.id);
  }

  keyed() {
    return pathsOf(this.node).filter((path) => keysOf(this.node, path).length);
  }

  count() {
    return pathsOf(this.node).reduce((sum, path) => sum + keysOf(this.node, path).length, 0);
  }

  /** Stores edits, and tells how many keys there were and are. */
  async counted(edits) {
    const was = this.count();
    if (await this.store.edit(edits)) toast(`${this.node.name}: ${was} keys before, ${this.count()} now`);
  }

  number(options) {
    return new NumberField({ rate: () => this.store.header.rate, ...options });
  }
}

function rigPart(work) {
  const { desk, id } = work;
  const insert = () => ({ edit: 'insert-keys', picks: [{ id, channels: work.keyed(), frames: [desk.frame] }] });
  const inserts = button('Insert', () => work.counted([insert()]), {
    title: 'A key on every keyed curve at the playhead; the curves stay as they are',
  });
  const buttons = [
    button('Whole rig', () => desk.work.keyRig(), {
      title: 'Key every node of the rig that this belongs to (Shift+Enter)',
    }),
    button('Align keys', () => work.counted([{ edit: 'align-keys', id }]), {
      title: 'A key on every carrier and here at every key of the rig; the motion stays as it is',
    }),
    inserts,
  ];
  const around = button('Once around', () => desk.nodes.onceAround(), {
    title: 'Turn it once over the shot without a seam, about its vertical: the frame after the last is the first again',
  });
  return {
    rows: [tool('Key', ...buttons), tool('Turn', around)],
    refresh() {
      inserts.disabled = work.keyed().length === 0;
    },
  };
}

function copyPart({ desk }) {
  const ways = [
    ['same', 'Paste', 'Paste copied keys at the playhead'],
    ['offset', 'offset', 'Go on from the values that are here'],
    ['mirrored', 'mirrored', 'Left becomes right: x, pan and roll change their sign'],
  ];
  const paste = ways.map(([way, text, title]) =>
    button(text, () => desk.work.pasteKeys(way), { title, 'data-paste': way }),
  );
  paste.push(button('backwards', () => desk.work.pasteKeys('same', true), { title: 'In the opposite order' }));
  const copy = button('Copy', () => desk.work.copyKeys(), {
    title: 'Copy the chosen keys, or those at the playhead (Ctrl+C)',
  });
  return {
    rows: [tool('Copy', copy, ...paste)],
    refresh: () =>
      paste.forEach((b) => {
        b.disabled = !desk.copied;
      }),
  };
}

/** Which curves take keys when a pose is keyed or recorded. */
function takesPart(work) {
  const { store, id } = work;
  const toggle = (path) => {
    const { leftOut, locked } = takesKeysOf(work.node);
    const next = leftOut.includes(path) ? leftOut.filter((p) => p !== path) : [...leftOut, path];
    store.edit([{ edit: 'set-takes-keys', id, locked, leftOut: next }]);
  };
  const toggles = pathsOf(work.node).map((path) => {
    const name = pathName(work.node, path);
    const title = `Whether whole-pose keys and recording take ${name}`;
    return button(name, () => toggle(path), { 'data-takes': path, title });
  });
  const segments = h(
    'span',
    { class: 'segments wrap', role: 'group', 'aria-label': 'Curves that take keys' },
    ...toggles,
  );
  return {
    rows: [tool('Takes keys', segments)],
    refresh() {
      const { leftOut } = takesKeysOf(work.node);
      toggles.forEach((b) => b.setAttribute('aria-pressed', String(!leftOut.includes(b.dataset.takes))));
    },
  };
}

const toleranceOf = (family) => asked.tolerances[family.id] ?? family.tolerance * REDUCE_OVER_OVERSHOOT;

/** Fewer keys, each curve within the tolerance of its family. */
function reducePart(work) {
  const { id } = work;
  const used = new Set(pathsOf(work.node).map((path) => parameterOf(work.node, path).family));
  const families = allFamilies().filter((family) => used.has(family.id));
  const fields = families.map((family) =>
    work.number({
      label: `Tolerance of ${family.id}`,
      quantity: family.quantity,
      unit: family.unit,
      digits: family.digits + 1,
      step: family.tolerance,
      get: () => toleranceOf(family),
      set: (to, done) => {
        if (done) asked.tolerances[family.id] = to;
        return true;
      },
    }),
  );
  const tolerances = () => Object.fromEntries(families.map((family) => [family.id, toleranceOf(family)]));
  const edit = () => ({ edit: 'reduce-keys', id, channels: work.keyed(), tolerances: tolerances() });
  const reduce = button('Reduce keys', () => work.counted([edit()]), {
    title: 'Take keys away while every curve stays within its tolerance',
  });
  const toMoves = button('Keys to moves', () => work.counted([movesEdit(work)]), {
    title: 'The keys of the pose become moves, where moves come within the tolerance',
  });
  const named = fields.map((field, i) => labelled(axisName(families[i].id), field.element));
  return {
    rows: [
      h('div', { class: 'tolerances' }, h('span', { text: 'Tolerance' }), ...named),
      tool('Reduce', reduce, toMoves),
    ],
    refresh() {
      fields.forEach((field) => field.refresh());
      toMoves.disabled = work.keyed().length === 0;
      reduce.disabled = work.keyed().length === 0;
    },
  };
}

/** Blocks in place of keys, as near to them as is let pass. */
function movesEdit({ store, id }) {
  const within = (name) => toleranceOf(allFamilies().find((family) => family.id === name));
  return {
    edit: 'keys-to-moves',
    id,
    newId: store.freeId('move'),
    toleranceM: within('place'),
    toleranceDeg: within('turn'),
  };
}

/** Keys at even steps. */
function bakePart(work) {
  const { desk, id } = work;
  const step = work.number({
    label: 'Frames from key to key',
    quantity: 'frames',
    unit: 'f',
    digits: 0,
    step: 1,
    get: () => asked.step,
    set: (to, done) => {
      if (done) asked.step = Math.max(1, Math.round(to));
      return true;
    },
  });
  const edit = () => ({
    edit: 'bake-keys',
    id,
    channels: work.keyed(),
    from: desk.first(),
    to: desk.last(),
    step: asked.step,
  });
  const bake = button('Bake', () => work.counted([edit()]), {
    title: 'Write keyed curves out as keys at even steps over the shot',
  });
  return {
    rows: [h('div', { class: 'row two' }, h('span', { text: 'Bake every' }), step.element, bake)],
    refresh() {
      step.refresh();
      bake.disabled = work.keyed().length === 0;
    },
  };
}
