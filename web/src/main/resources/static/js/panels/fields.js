// Pieces that all panels are made of.
import { h } from '../common/dom.js';
import { keyButton, keyState } from './key-button.js';
import { NumberField, resetIn, resetSays } from './number-field.js';
import { idOf, isOff, parameterOf, partAt } from '../shot/parts.js';
import { keysOf } from '../shot/keys.js';

/** Whether a keyed channel is without effect, because its part of the chain is switched off. */
export function isSwitchedOff(store, id, channel) {
  const node = store.byId.get(id);
  return isOff(node, idOf(partAt(node, channel))) && keysOf(node, channel).length > 0;
}

/** A field for a channel of a node, with its value at the playhead; it stands at the first frame while switched off. */
export function channelField(store, desk, id, channel) {
  const { label, quantity, unit, digits, step, usual } = parameterOf(store.byId.get(id), channel);
  const field = new NumberField({
    usual,
    label,
    quantity,
    unit,
    digits,
    step,
    rate: () => store.header.rate,
    get: () => {
      const own = store.motion.get(id)?.own[channel];
      return own ? store.value(isSwitchedOff(store, id, channel) ? desk.first() : desk.frame, own) : null;
    },
    at: () => desk.frame,
    set: (value, done, frame) => {
      const edit = (keying) => ({ edit: 'set-values', id, frame, values: { [channel]: value }, keying });
      return desk.change(store.byId.get(id), [channel], edit, { done, frame });
    },
    state: () => keyState(store, id, channel, desk.frame),
    disabled: () => isSwitchedOff(store, id, channel),
  });
  field.addKeyButton(keyButton(store, desk, id, channel));
  return field;
}

/** A label that gives the numbers beside it their usual values when it is double-clicked. */
function resetting(tag, text, element) {
  const label = h(tag, { text, title: resetSays(element) });
  label.addEventListener('dblclick', (event) => {
    event.preventDefault();
    resetIn(element);
  });
  return label;
}

export function row(name, ...fields) {
  const element = h('div', { class: `row ${['', 'one', 'two', ''][fields.length] ?? ''}` }, ...fields);
  element.prepend(resetting('span', name, element));
  return element;
}

export const heads = (...names) =>
  h('div', { class: 'row' }, h('span'), ...names.map((text) => h('span', { class: 'heads', text })));

/** A number that is only shown. */
export function fact(name, title) {
  const value = h('span');
  const element = h('div', { title }, h('small', { text: name }), value);
  return {
    element,
    show: (text) => {
      value.textContent = text;
    },
  };
}

export function choice(label, options, onchange) {
  return h(
    'select',
    { 'aria-label': label, onchange: (event) => onchange(event.target.value) },
    ...options.map(([value, text]) => h('option', { value, text })),
  );
}

/** An element with a word before it. */
export function labelled(text, element) {
  const label = h('label', { class: 'with-label' }, element);
  label.prepend(resetting('small', text, label));
  return label;
}
