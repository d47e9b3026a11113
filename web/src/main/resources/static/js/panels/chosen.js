// The chosen keys: exact numbers, tangents, what lies outside, scaling.
import { button, h } from '../common/dom.js';
import { curveAt } from '../shot/parts.js';
import { BEYOND, TANGENTS } from '../shot/tangents.js';
import { common, Hand } from './chosen-hand.js';
import { handlesPart, numbersPart } from './chosen-numbers.js';
import { sayFlatEnds } from './flat-ends.js';
import { scalePart } from './chosen-scale.js';
import { choice, labelled, row } from './fields.js';

export const chosenPanel = {
  signature: (store, node, desk) => [...desk.work.byAxis(desk.work.keysInHand()).keys()].join(),

  build(store, desk) {
    const hand = new Hand(store, desk);
    const rate = () => store.header.rate;
    const parts = [
      numbersPart(hand, rate),
      tangentsPart(hand),
      handlesPart(hand, rate),
      outsidePart(hand),
      scalePart(hand, rate),
      landingPart(hand),
    ];
    const says = h('small');
    return {
      title: 'Keys chosen',
      aside: says,
      elements: [h('div', { class: 'rows' }, ...parts.flatMap((part) => part.rows))],
      refresh() {
        const keys = hand.keys();
        const names = hand.choice
          .ids()
          .map((id) => store.byId.get(id)?.name)
          .join(', ');
        says.textContent = keys.length
          ? `${keys.length} ${keys.length === 1 ? 'key' : 'keys'} of ${names}`
          : 'none here: choose beads, or go to a key';
        parts.forEach((part) => part.refresh(keys));
      },
    };
  },
};

function tangentsPart(hand) {
  const set = (change) => hand.store.edit([{ edit: 'set-tangents', picks: hand.choice.picks(), ...change }]);
  const kinds = TANGENTS.map(([name, text, title]) =>
    button(text, () => set({ tangent: name }), { title, 'data-tangent': name }),
  );
  const free = (field, text, title) =>
    button(
      text,
      (event) => set({ tangent: 'free', [field]: event.currentTarget.getAttribute('aria-pressed') !== 'true' }),
      { title, 'data-free': field },
    );
  const flags = [
    [free('joined', 'Joined', 'Both handles on one line; off: broken'), 7],
    [free('ownLength', 'Own length', 'A handle reaches as far as it is drawn; off: a third of the way'), 8],
  ];
  const group = (name, label, buttons) =>
    h(
      'div',
      { class: 'row one' },
      h('span', { text: name }),
      h('span', { class: 'segments', role: 'group', 'aria-label': label }, ...buttons),
    );
  return {
    rows: [
      group('Tangent', 'Tangent of the chosen keys', kinds),
      group(
        'Handles',
        'Handles of the chosen keys',
        flags.map(([b]) => b),
      ),
    ],
    refresh(keys) {
      const kind = common(keys.map((k) => k.key[2]));
      kinds.forEach((b) => press(b, b.dataset.tangent === kind, keys));
      const frees = keys.filter((k) => k.key[2] === 'free');
      flags.forEach(([b, i]) => press(b, frees.length > 0 && frees.every((k) => k.key[i]), keys));
    },
  };
}

function press(element, on, keys) {
  element.disabled = keys.length === 0;
  element.setAttribute('aria-pressed', String(on));
}

function outsidePart(hand) {
  const { store } = hand;
  const set = async (side, to) => {
    const { choice: keys } = hand;
    const edits = keys.ids().map((id) => ({ edit: 'set-beyond', id, channels: keys.channelsOf(id), [side]: to }));
    if ((await store.edit(edits)) && to === 'run-on') sayFlatEnds(store, keys, side);
  };
  const select = (side, label) => choice(label, [['', 'mixed'], ...BEYOND], (to) => to && set(side, to));
  const sides = { before: select('before', 'Before the first key'), after: select('after', 'After the last key') };
  return {
    rows: [row('Outside', ...Object.entries(sides).map(([side, element]) => labelled(side, element)))],
    refresh(keys) {
      for (const [side, element] of Object.entries(sides)) {
        element.value = common(keys.map((k) => curveAt(store.byId.get(k.id), k.channel)?.[side] ?? 'hold')) ?? '';
        element.disabled = keys.length === 0;
      }
    },
  };
}

function landingPart(hand) {
  const { desk } = hand;
  const landing = choice(
    'Where a key lands on another',
    [
      ['refuse', 'refused'],
      ['merge', 'takes its place'],
    ],
    (to) => {
      desk.landing = to;
    },
  );
  const snap = button('Snap to frames', () => hand.place({ snap: true }, true, Math.round), {
    title: 'Round the frames of the chosen keys to whole ones',
  });
  const removeIt = button('Remove', () => desk.work.removeKeys(), { title: 'Backspace' });
  const clear = button('None', () => desk.chooseKeys(null), { title: 'Choose no keys (Esc)' });
  return {
    rows: [row('Landing', landing, snap), h('div', { class: 'buttons' }, removeIt, clear)],
    refresh(keys) {
      landing.value = desk.landing;
      [snap, removeIt].forEach((b) => {
        b.disabled = keys.length === 0;
      });
      clear.disabled = desk.chosen.isEmpty;
    },
  };
}
