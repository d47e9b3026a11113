// A card that smooths: how, what of the motion, within which limit, and what that costs.
import { button, h } from '../common/dom.js';
import { trimmed } from '../common/format.js';
import { idOf, partOf } from '../shot/parts.js';
import { effectPart } from './effect.js';
import { channelField, choice, fact, labelled, row } from './fields.js';
import { panelOf, windowPart } from './part-panel.js';
import { PartWork } from './part-work.js';

/** The ways with what each is set to when it is chosen. @type {[string, string, object][]} */
const WAYS = [
  ['spring', 'Lagging spring', { amount: 0.8, times: 1 }],
  ['damped', 'Damped spring', { lag: 5 }],
  ['gaussian', 'Gaussian, no lag', { sigma: 5 }],
  ['polynomial', 'Savitzky–Golay, no lag', { half: 9, order: 2 }],
  ['two-way', 'Forward–backward, no lag', { amount: 0.8 }],
];
const KINDS = ['place', 'turn', 'lens'];
const SETTINGS = ['way', 'amount', 'times', 'lag', 'sigma', 'half', 'order', 'of', 'withinCm', 'withinDegrees'];
const MOST_AMOUNT = 0.99;

export const smoothPanel = {
  signature: (store, node, desk) => {
    const part = partOf(node, desk.card);
    return JSON.stringify([part?.id, part?.way]);
  },

  build(store, desk, node) {
    const part = partOf(node, desk.card);
    const work = new PartWork(store, desk, node.id, idOf(part), SETTINGS);
    return panelOf(store, desk, node, part, [
      wayPart(work),
      WAY_PARTS[part.way](work),
      ofPart(work, node),
      limitPart(work),
      weightPart(work),
      costPart(work),
      liftPart(work),
      effectPart(store, desk, node.id, work.partId),
      windowPart(store, desk, node.id, work.partId),
    ]);
  },
};

function wayPart(work) {
  const set = (next) => {
    const [way, , usual] = WAYS.find(([id]) => id === next);
    const { of, withinCm, withinDegrees } = work.part;
    const kept = Object.fromEntries(Object.entries({ of, withinCm, withinDegrees }).filter(([, v]) => v !== undefined));
    const part = { part: 'smooth', id: work.partId, way, ...usual, ...kept };
    return work.store.edit([{ edit: 'set-part', id: work.id, part }]);
  };
  const way = choice(
    'How it smooths',
    WAYS.map(([id, label]) => [id, label]),
    set,
  );
  way.value = work.part.way;
  return { rows: [row('Way', way)], refresh() {} };
}

const frames = (digits) => ({ quantity: 'frames', unit: 'f', digits, step: digits ? 0.5 : 1 });

/** @param {...import('./number-field.js').NumberField} fields */
const refreshing =
  (...fields) =>
  () =>
    fields.forEach((each) => each.refresh());

/** What a frame keeps of the one before, as a bare number, and the same as the time that it lags. */
function amountPart(work, twoWay) {
  const amount = work.setting('amount', { label: 'Amount a whole frame', quantity: 'plain', digits: 3, step: 0.01 });
  const lag = work.number({
    label: 'Lag of one pass',
    ...frames(2),
    get: () => work.part.amount / (1 - work.part.amount),
    set: (value, done) =>
      work.set({ amount: Math.min(MOST_AMOUNT, Math.max(0, value) / (Math.max(0, value) + 1)) }, done),
  });
  const more = twoWay
    ? h('span')
    : work.setting('times', {
        label: 'How often',
        usual: 1,
        quantity: 'plain',
        unit: '×',
        digits: 0,
        step: 1,
        whole: true,
      });
  const rows = [
    row('Amount', amount.element, labelled('or lag', lag.element), twoWay ? more : labelled('', more.element)),
  ];
  return { rows, refresh: refreshing(amount, lag, ...(twoWay ? [] : [more])) };
}

const WAY_PARTS = {
  spring: (work) => amountPart(work, false),
  'two-way': (work) => amountPart(work, true),

  damped(work) {
    const lag = work.setting('lag', { label: 'Lag', ...frames(1) });
    return { rows: [row('Lag', lag.element, h('span'))], refresh: refreshing(lag) };
  },

  gaussian(work) {
    const sigma = work.setting('sigma', { label: 'Width', ...frames(1) });
    const title = h('small', { class: 'note', text: 'standard deviation' });
    return { rows: [row('Width', sigma.element, title)], refresh: refreshing(sigma) };
  },

  polynomial(work) {
    const half = work.setting('half', { label: 'Frames on each side', whole: true, ...frames(0) });
    const order = work.setting('order', {
      label: 'Order',
      usual: 2,
      quantity: 'plain',
      digits: 0,
      step: 1,
      whole: true,
    });
    return {
      rows: [row('Each side', half.element, labelled('order', order.element))],
      refresh: refreshing(half, order),
    };
  },
};

/** Place, turn and lens apart. */
function ofPart(work, node) {
  const kinds = node.kind === 'camera' ? KINDS : KINDS.slice(0, 2);
  const now = () => work.part?.of ?? KINDS;
  const boxes = kinds.map((kind) => {
    const box = h('input', {
      type: 'checkbox',
      onchange: () => {
        const next = KINDS.filter((each) => (each === kind ? box.checked : now().includes(each)));
        const any = next.some((each) => kinds.includes(each));
        if (any) work.set({ of: next });
        else box.checked = true; // a card that smooths nothing is switched off instead
      },
    });
    return { kind, box, label: h('label', {}, box, kind) };
  });
  return {
    rows: [row('Smooths', h('span', { class: 'shown' }, ...boxes.map((each) => each.label)))],
    refresh: () => boxes.forEach(({ kind, box }) => (box.checked = now().includes(kind))),
  };
}

/** How far it may take the motion at most. */
function limitPart(work) {
  const limit = (name, label, options) =>
    work.number({
      label,
      empty: 'open',
      digits: 2,
      step: 0.1,
      get: () => work.part?.[name] ?? null,
      set: (value, done) => work.set({ [name]: value || undefined }, done),
      ...options,
    });
  const cm = limit('withinCm', 'Stays within, place', { quantity: 'short-length', unit: 'cm' });
  const degrees = limit('withinDegrees', 'Stays within, turn', { quantity: 'angle', unit: '°' });
  const open = button('Open', () => work.set({ withinCm: undefined, withinDegrees: undefined }), { title: 'No limit' });
  return {
    rows: [row('Stays within', cm.element, degrees.element, open)],
    refresh() {
      cm.refresh();
      degrees.refresh();
      open.disabled = !work.part || !('withinCm' in work.part || 'withinDegrees' in work.part);
    },
  };
}

function weightPart(work) {
  const weight = channelField(work.store, work.desk, work.id, `${work.partId}.weight`);
  return { rows: [row('Weight', weight.element, h('span'))], refresh: refreshing(weight) };
}

/** Lag, rest, and unrest before and after. */
function costPart(work) {
  const lag = fact('Lag', 'By how much the smoothed motion comes later, as measured');
  const rest = fact('To rest', 'After the motion has come to rest, until this has too, within a hundredth');
  const place = fact('Jerk, place', 'Root mean square of the third derivative, before and with this card');
  const turn = fact('Jerk, turn', 'Root mean square of the third derivative, before and with this card');
  const extend = button('', () => work.store.edit([{ edit: 'lengthen', by: frameCount() }]), {
    title: 'Makes the shot longer at its end, so that the camera comes to rest in it',
  });
  const effect = () => work.desk.effects.of(work.id, work.partId);
  const frameCount = () => effect()?.restFrames ?? 0;
  return {
    rows: [
      h('div', { class: 'facts effect four' }, lag.element, rest.element, place.element, turn.element),
      h('div', { class: 'buttons' }, extend),
    ],
    refresh() {
      const now = effect();
      const two = (of, unit) =>
        now?.jerkBefore ? `${trimmed(now.jerkBefore[of], 1)} ›\n${trimmed(now.jerkAfter[of], 1)} ${unit}` : '…';
      lag.show(now ? `${trimmed(now.lagFrames, 1)} f` : '…');
      rest.show(now ? `${now.restFrames} f` : '…');
      place.show(two('place', 'm/s³'));
      turn.show(two('turn', '°/s³'));
      extend.textContent = `Extend shot by ${frameCount()} frames`;
      extend.disabled = !frameCount();
    },
  };
}

/** Puts what the card takes out onto a node, as a recording. */
function liftPart(work) {
  const { store, desk } = work;
  const lift = async (to) => {
    select.value = '-';
    const newPart = store.freeId('recorded');
    const name = `Off ${store.byId.get(work.id).name}`;
    const edit = { edit: 'lift-shake', id: work.id, part: work.partId, to, newPart, name };
    if (!(await store.edit([edit]))) return;
    desk.select(to);
    desk.chooseCard(newPart);
  };
  const able = store.nodes.filter((node) => ['camera', 'null', 'piece'].includes(node.kind));
  const select = choice('Lift what it takes out onto', [['-', 'onto …'], ...able.map((n) => [n.id, n.name])], lift);
  select.title = 'What this card takes out of the motion becomes a recording that shakes another node';
  return { rows: [row('Lift it off', select)], refresh() {} };
}
