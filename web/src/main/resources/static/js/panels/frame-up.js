// Frame up: where the subject sits in the picture and how large; at a frame, over a stretch, or kept by a card.
import { button, h } from '../common/dom.js';
import { toast } from '../common/toasts.js';
import { idOf, partOf } from '../shot/parts.js';
import { targetName } from '../shot/targets.js';
import { choice, labelled, row } from './fields.js';
import { NumberField } from './number-field.js';
import { panelOf, parametersPart, windowPart } from './part-panel.js';
import { targetPart } from './target-field.js';

const THIRD = 16.7;
const WAYS = [
  ['turn', 'turn'],
  ['dolly', 'turn and dolly'],
  ['zoom', 'turn and zoom'],
];
const HOLDS = [
  ['lens', 'lens follows the move'],
  ['dolly', 'camera follows the zoom'],
  ['other-lens', 'other lens'],
];
/** @type {[string, number, number][]} */
const PLACES = [
  ['upper left third', -THIRD, THIRD],
  ['upper third', 0, THIRD],
  ['upper right third', THIRD, THIRD],
  ['left third', -THIRD, 0],
  ['middle', 0, 0],
  ['right third', THIRD, 0],
  ['lower left third', -THIRD, -THIRD],
  ['lower third', 0, -THIRD],
  ['lower right third', THIRD, -THIRD],
];

const number = (store, { label, unit, least, most, get, set, quantity = 'plain', digits = 1, step = 1 }) =>
  new NumberField({
    label,
    quantity,
    unit,
    digits,
    step,
    rate: () => store.header.rate,
    get,
    set(value, done) {
      if (value >= least && value <= most) return set(value, done);
      if (done) toast(`${label}: from ${least} to ${most} ${unit}`, { bad: true });
      return false;
    },
  });

/** The nine crossings and middles of thirds, to be pressed. */
function thirds(desk) {
  const buttons = PLACES.map(([name, across, up]) =>
    h('button', { type: 'button', 'aria-label': name, title: name, onclick: () => desk.framing.ask({ across, up }) }),
  );
  const refresh = () =>
    buttons.forEach((each, i) => {
      const [, across, up] = PLACES[i];
      const is = desk.framing.asked.across === across && desk.framing.asked.up === up;
      each.setAttribute('aria-pressed', String(is));
    });
  return {
    element: h('span', { class: 'thirds', role: 'group', 'aria-label': 'Place in the picture' }, ...buttons),
    refresh,
  };
}

const mayBeSubject = (n) => n.kind === 'piece' || n.kind === 'null' || n.kind === 'repeat';

export const frameTab = {
  signature: (store, node, desk) => `${desk.camera} ${store.nodes.map((n) => n.id + n.name).join()}`,

  build(store, desk) {
    const camera = store.byId.get(desk.camera);
    if (!camera) return nothing();
    const parts = [
      subjectRow(store, desk),
      placeRow(store, desk),
      wayRow(store, desk),
      timeRow(desk),
      doRow(desk),
      holdRow(store, desk),
    ];
    return {
      title: `Frame up · ${camera.name}`,
      aside: h('small', { class: 'note', text: 'a click in the picture says where' }),
      elements: [h('div', { class: 'rows' }, ...parts.map((part) => part.element))],
      refresh: () => parts.forEach((part) => part.refresh()),
    };
  },
};

/** A number of what is asked. */
const askedField = (store, { framing }, name, options) =>
  number(store, {
    ...options,
    get: () => framing.asked[name],
    set: (value, done) => {
      if (done) framing.ask({ [name]: value });
      return true;
    },
  });

function subjectRow(store, { framing }) {
  const nodes = store.nodes.filter(mayBeSubject).map((n) => [n.id, n.name]);
  const subject = choice('Subject', [['', 'what is selected'], ...nodes], (id) => framing.ask({ subject: id }));
  return {
    element: row('Subject', subject),
    refresh() {
      subject.value = framing.asked.subject;
      if (subject.selectedIndex < 0) subject.value = '';
    },
  };
}

function placeRow(store, desk) {
  const share = { unit: '%', least: -50, most: 50 };
  const across = askedField(store, desk, 'across', { label: 'Per cent of the width to the right', ...share });
  const up = askedField(store, desk, 'up', { label: 'Per cent of the height upwards', ...share });
  const grid = thirds(desk);
  const fields = [grid.element, labelled('across', across.element), labelled('up', up.element)];
  return {
    element: h('div', { class: 'row one' }, h('span', { text: 'Sits at' }), h('span', { class: 'framing' }, ...fields)),
    refresh: () => [across, up, grid].forEach((each) => each.refresh()),
  };
}

function wayRow(store, desk) {
  const { framing } = desk;
  const size = askedField(store, desk, 'size', { label: 'Height in the picture', unit: '%', least: 1, most: 300 });
  const way = choice('How', WAYS, (value) => framing.ask({ way: value }));
  const sized = labelled('high', size.element);
  return {
    element: row('How', way, sized),
    refresh() {
      size.refresh();
      way.value = framing.asked.way;
      sized.hidden = framing.asked.way === 'turn';
    },
  };
}

function timeRow({ framing }) {
  const stretch = h('input', {
    type: 'checkbox',
    onchange: (event) => framing.ask({ stretch: event.target.checked }),
  });
  const title = 'Over the range chosen on the ruler, or the whole shot; in few keys';
  return {
    element: h(
      'div',
      { class: 'row one' },
      h('span', { text: 'When' }),
      h('label', { title }, stretch, 'over the chosen stretch'),
    ),
    refresh() {
      stretch.checked = framing.asked.stretch;
    },
  };
}

function doRow({ framing }) {
  const run = button('Frame up', () => framing.run(), { class: 'main' });
  const keep = button('Keep it live', () => framing.keepLive(), {
    title: 'A card in the chain of the camera that keeps the subject there on every frame',
  });
  return {
    element: h('div', { class: 'buttons' }, run, keep),
    refresh() {
      const none = framing.subjects().length === 0;
      run.disabled = none;
      keep.disabled = none;
      run.title = none ? 'Choose a subject, or select a piece' : 'Turn the camera so that it sits there';
    },
  };
}

/** A size that is held while the camera moves or its lens zooms, or with another lens. */
function holdRow(store, desk) {
  const { framing } = desk;
  const way = choice('What gives way so that the size holds', HOLDS, (hold) => framing.ask({ hold }));
  const lens = { label: 'Focal length of the other lens', quantity: 'lens-length', unit: 'mm', least: 1, most: 5000 };
  const focal = askedField(store, desk, 'focal', lens);
  const run = button('Hold its size', () => framing.holdSize());
  const longer = labelled('to', focal.element);
  return {
    element: row('Size holds', way, h('span', { class: 'with-away' }, longer, run)),
    refresh() {
      const { hold, stretch } = framing.asked;
      way.value = hold;
      longer.hidden = hold !== 'other-lens';
      focal.refresh();
      run.disabled = framing.subjects().length === 0;
      const when = hold === 'other-lens' && !stretch ? 'at the playhead' : 'over the chosen stretch, or the whole shot';
      run.title = `As large as at the playhead, ${when}`;
    },
  };
}

const nothing = () => ({
  title: 'Frame up',
  elements: [h('p', { class: 'note', text: 'Add a camera first: a subject is framed through it.' })],
  refresh() {},
});

/** The card that keeps a subject in its place. */
export const frameUpPanel = {
  signature: (store, node, desk) => JSON.stringify([desk.card, store.nodes.map((n) => n.id + n.name)]),

  build(store, desk, node) {
    const { id } = node;
    const partId = desk.card;
    const now = () => partOf(store.byId.get(id), partId);
    const subject = () => {
      const part = now();
      return part ? part.target : undefined;
    };
    const set = (change, done = true) => {
      const { target, way, radius, others } = now();
      const part = { part: 'frame-up', id: partId, target, way, radius, others, ...change };
      const edits = [{ edit: 'set-part', id, part }];
      if (done) return store.edit(edits);
      store.show(edits);
      return true;
    };
    const radius = number(store, {
      label: 'Radius of the ball around the subject',
      quantity: 'length',
      unit: 'm',
      digits: 3,
      step: 0.05,
      least: 0.001,
      most: 10000,
      get: () => now().radius,
      set: (value, done) => set({ radius: value }, done),
    });
    const ball = labelled('ball', radius.element);
    const way = choice('How', WAYS, (value) => set({ way: value }));
    return panelOf(store, desk, node, now(), [
      targetPart(store, desk, {
        label: 'Subject',
        own: id,
        get: subject,
        set: (target, done) => set({ target }, done),
      }),
      togetherPart(store, desk, now, (others) => set({ others })),
      {
        rows: [row('Keeps it', way, ball)],
        refresh() {
          way.value = now().way;
          ball.hidden = Boolean(now().others?.length);
          radius.refresh();
        },
      },
      parametersPart(store, desk, id, now()),
      windowPart(store, desk, id, idOf(now())),
    ]);
  },
};

/** What is kept together with the first subject: each can be taken out, and more picked. */
function togetherPart(store, desk, now, set) {
  const names = h('span', { class: 'chips' });
  const pick = button(
    'Pick more',
    () =>
      desk.pick('Subject: click it in the picture, on the plan or in the list', (node) => {
        const there = [now().target, ...(now().others ?? [])].some((target) => target.node === node);
        if (!there) set([...(now().others ?? []), { node }]);
      }),
    { title: 'Several pieces are kept in the picture as one' },
  );
  const chip = (target, i) =>
    button(`${targetName(store, target)} ×`, () => set(now().others.filter((_, k) => k !== i)), {
      class: 'quiet',
      title: 'Take it out',
    });
  return {
    rows: [
      h('div', { class: 'row one' }, h('span', { text: 'Together with' }), h('span', { class: 'shown' }, names, pick)),
    ],
    refresh: () => names.replaceChildren(...(now().others ?? []).map(chip)),
  };
}
