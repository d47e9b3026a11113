// What is written on a card.
import { h } from '../common/dom.js';
import { choice, labelled, row } from './fields.js';
import { NumberField } from './number-field.js';

const USUAL = { ink: '#1d2930', line: 0.2, face: 'words' };
const FACES = [
  ['words', 'words'],
  ['numbers', 'numbers'],
];

/**
 * @param {() => any} now the piece
 * @param {(finish: any, done?: boolean) => any} set gives it another finish
 */
export function letteringPart(store, now, set) {
  const text = () => now().finish.text ?? { ...USUAL, lines: [] };
  const change = (to, done = true) => set({ ...now().finish, text: { ...text(), ...to } }, done);
  const words = h('textarea', {
    rows: 2,
    'aria-label': 'Text on the card',
    placeholder: 'nothing is written on it',
    spellcheck: 'false',
    onchange: () => write(words.value),
  });
  const write = (value) => {
    const lines = value
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean);
    const { text: gone, ...bare } = now().finish;
    if (lines.length) change({ lines });
    else if (gone) set(bare);
  };
  const height = new NumberField({
    label: 'Height of a line',
    quantity: 'length',
    unit: 'm',
    digits: 3,
    step: 0.01,
    rate: () => store.header.rate,
    get: () => text().line,
    set: (value, done) => (value > 0 && text().lines.length ? change({ line: value }, done) : false),
  });
  const ink = h('input', { type: 'color', 'aria-label': 'Ink', onchange: () => change({ ink: ink.value }) });
  const face = choice('Font', FACES, (value) => change({ face: value }));
  const bold = h('input', { type: 'checkbox', onchange: () => change({ bold: bold.checked }) });
  return {
    rows: [
      h('div', { class: 'row one' }, h('span', { text: 'Text' }), words),
      row('Letters', height.element, labelled('font', face)),
      row('Ink', ink, h('label', {}, bold, 'bold')),
    ],
    refresh() {
      const is = text();
      if (document.activeElement !== words) words.value = is.lines.join('\n');
      height.refresh();
      ink.value = is.ink;
      face.value = is.face;
      bold.checked = Boolean(is.bold);
      for (const each of [ink, face, bold]) each.disabled = is.lines.length === 0;
    },
  };
}
