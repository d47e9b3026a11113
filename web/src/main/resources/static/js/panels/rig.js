// How a rig is built and changed: ready carriers, the pivot of a null, and what moves nothing in the picture.
import { button, h } from '../common/dom.js';
import { carrierAt, carrierOf, TURN } from '../shot/parts.js';
import { keysOf } from '../shot/keys.js';
import { middleOf } from '../shot/node-points.js';
import { choice, labelled, row } from './fields.js';
import { NumberField } from './number-field.js';

const CARRIERS = [
  ['gimbal', 'Gimbal', 'Pan, tilt and roll, each on a null of its own, in the order below'],
  ['turntable', 'Turntable', 'A null that turns about the middle of a subject'],
  ['boom', 'Boom', 'A null that swings and lifts it at the end of an arm'],
  ['dolly', 'Dolly', 'A null on the ground below it, ahead along its view'],
  ['shoulder', 'Shoulder', 'A null a little below it that sways and turns'],
];
const ORDERS = [
  ['ptr', 'pan › tilt › roll'],
  ['prt', 'pan › roll › tilt'],
  ['tpr', 'tilt › pan › roll'],
  ['trp', 'tilt › roll › pan'],
  ['rpt', 'roll › pan › tilt'],
  ['rtp', 'roll › tilt › pan'],
];
const KEEPS = [
  ['fitted', 'in few keys'],
  ['every-frame', 'a key a frame'],
];
const AXES = ['x', 'y', 'z'];

const keysOfTurn = (node) => TURN.reduce((sum, path) => sum + keysOf(node, path).length, 0);

/** What is asked for here, kept while other panels are shown. */
const asked = { order: 'ptr', arm: 2, about: '', keep: 'fitted', from: '', round: 0, loop: true };

export const rigPanel = {
  signature: (store, node) =>
    node ? `${carrierOf(node)} ${keysOfTurn(node)} ${store.nodes.map((n) => n.id + n.name).join()}` : '',

  build(store, desk, node) {
    if (!node) return nothing();
    const parts = [
      carrierPart(store, desk),
      pivotPart(store, desk, node),
      stillPart(desk, node),
      posePart(store, desk, node),
    ];
    return {
      title: `Rig · ${node.name}`,
      aside: h('small', { class: 'note', text: 'only Go round moves the picture' }),
      elements: [h('div', { class: 'rows' }, ...parts.flatMap((part) => part.rows))],
      refresh() {
        if (store.byId.has(node.id)) parts.forEach((part) => part.refresh?.());
      },
    };
  },
};

const nothing = () => ({
  title: 'Rig',
  elements: [h('p', { class: 'note', text: 'Choose something in the list of what is on set.' })],
  refresh() {},
});

const metres = (store, label, get, set) =>
  new NumberField({
    label,
    quantity: 'length',
    unit: 'm',
    digits: 3,
    step: 0.05,
    rate: () => store.header.rate,
    get,
    set,
  });

const remembering = (name) => (value) => {
  asked[name] = value;
};

function pick(label, options, name) {
  const select = choice(label, options, remembering(name));
  select.value = asked[name];
  if (select.selectedIndex < 0) select.selectedIndex = 0;
  return select;
}

const group = (name, ...elements) =>
  h('div', { class: 'row one' }, h('span', { text: name }), h('span', { class: 'buttons' }, ...elements));

/** How many frames a turntable takes for a round: as long as the shot, unless somebody says otherwise. */
function roundField(store) {
  const field = new NumberField({
    label: 'Frames of one round',
    quantity: 'frames',
    unit: 'f',
    digits: 0,
    step: 1,
    rate: () => store.header.rate,
    get: () => asked.round || store.header.out - store.header.in + 1,
    set: (value) => {
      asked.round = Math.max(2, Math.round(value));
      field.refresh();
      return true;
    },
  });
  return field;
}

/** The turntable that goes round by itself, as a loop. */
function roundOf(store, desk, field) {
  const box = h('input', {
    type: 'checkbox',
    checked: asked.loop,
    onchange: (event) => remembering('loop')(event.target.checked),
  });
  const frames = () => asked.round || store.header.out - store.header.in + 1;
  const about = () => (store.byId.has(asked.about) ? asked.about : '');
  return h(
    'span',
    { class: 'buttons' },
    field.element,
    h('label', { title: 'The last frame is the one before it comes back' }, box, 'shot as long'),
    button('Go round', () => desk.nodes.turntable(frames(), about(), { loop: asked.loop }), {
      title: 'A turntable that goes round at an even pace and closes after so many frames',
    }),
  );
}

/** Ready carriers around what is selected. */
function carrierPart(store, desk) {
  const subjects = store.nodes.filter((n) => n.kind === 'piece' || n.kind === 'null').map((n) => [n.id, n.name]);
  const arm = metres(
    store,
    'Arm of a boom',
    () => asked.arm,
    (value) => {
      asked.arm = Math.max(0, value);
      arm.refresh();
      return true;
    },
  );
  const round = roundField(store);
  const buttons = CARRIERS.map(([kind, text, title]) =>
    button(
      text,
      () => desk.nodes.addCarrier(kind, { ...asked, about: store.byId.has(asked.about) ? asked.about : '' }),
      {
        title,
      },
    ),
  );
  return {
    rows: [
      group('Put around it', ...buttons),
      row('Gimbal', pick('Order of a gimbal, outermost first', ORDERS, 'order'), labelled('Boom arm', arm.element)),
      row('Turns about', pick('Subject of a turntable', [['', 'its own middle'], ...subjects], 'about')),
      h('div', { class: 'row one' }, h('span', { text: 'One round in' }), roundOf(store, desk, round)),
      group(
        'Repeat',
        button('Repeat it', () => desk.nodes.repeat(), { title: 'Copies of it, each one step further' }),
      ),
    ],
    refresh() {
      arm.refresh();
      round.refresh();
    },
  };
}

/** The pivot of a null, in the world. */
function pivotPart(store, desk, node) {
  if (node.kind !== 'null') return { rows: [] };
  const { id } = node;
  const turns = keysOfTurn(node) > 0;
  const to = (place) => desk.nodes.movePivot(id, place, asked.keep);
  const now = () => AXES.map((axis) => store.pose(id, desk.frame)?.[axis] ?? 0);
  const fields = AXES.map((axis, i) =>
    metres(
      store,
      `Pivot ${axis} in the world`,
      () => now()[i],
      (value, done) => {
        const place = now().map((v, k) => (k === i ? value : v));
        if (done) return to(place);
        return true;
      },
    ),
  );
  const pieces = store.nodes.filter((n) => n.kind === 'piece').map((n) => [n.id, n.name]);
  const middle = choice('Pivot to the middle of a piece', [['', 'middle of a piece …'], ...pieces], (piece) => {
    if (piece) to(middleOf(store, [piece], desk.frame));
    middle.value = '';
  });
  const keep = pick('How its motion is kept', KEEPS, 'keep');
  return {
    rows: [
      row('Pivot', ...fields.map((field) => field.element)),
      row(
        'Pivot to',
        button('Middle of the carried', () => to(middleOf(store, [id], desk.frame)), {}),
        middle,
      ),
      ...(turns
        ? [row('Its motion', keep, h('small', { class: 'note', text: 'it turns: its place is keyed anew' }))]
        : []),
    ],
    refresh: () => fields.forEach((field) => field.refresh()),
  };
}

/** What changes who holds the motion, and nothing that is seen. */
function stillPart(desk, node) {
  const carried = carrierAt(node, desk.frame) !== '';
  const only = carried ? {} : { disabled: '' };
  return {
    rows: [
      group(
        'Hold still',
        button('Zero out', () => desk.nodes.zeroOut(desk.topSelection(), asked.keep), {
          title: 'Its still pose goes into its carrier; its own numbers become 0',
          ...only,
        }),
        button('Bake down', () => desk.nodes.bakeDown(desk.topSelection(), asked.keep), {
          title: 'The motion of its carrier goes into its own keys, and the next carrier above has it',
          ...only,
        }),
        button('Path to rail', () => desk.rails.fromKeys(node.id), {
          title: 'A rail of the path that its keys draw, and it rides it as it went',
        }),
        button('Gather', () => desk.nodes.addAbove(), {
          title: 'A null in the middle of what is selected, above all of it (n)',
        }),
      ),
    ],
  };
}

/** Taking over where another node is. */
function posePart(store, desk, node) {
  const others = store.nodes.filter((n) => n.id !== node.id).map((n) => [n.id, n.name]);
  const from = pick('Node whose pose is taken', others, 'from');
  const go = (keep) => from.value && desk.nodes.copyPose(node.id, from.value, keep);
  return {
    rows: others.length
      ? [
          row('Go where', from),
          group(
            'is',
            button('At this frame', () => go(null), { title: 'To the place and turn it has at the playhead' }),
            button('At all frames', () => go(asked.keep), { title: 'Its whole motion in the world, as keys' }),
          ),
        ]
      : [],
  };
}
