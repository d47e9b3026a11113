// Pieces that all panels are made of.
import { h } from '../common/dom.js';
import { NumberField } from './number-field.js';
import { idOf, isOff, parameterOf, partAt } from '../shot/parts.js';
import { keysOf } from '../shot/keys.js';

/** Whether a channel is keyed at this frame, between keys, or not at all. */
export function keyState(store, id, channel, frame) {
  const node = store.byId.get(id);
  const keys = node ? keysOf(node, channel) : [];
  if (!keys.length) return '';
  return keys.some((k) => Math.abs(k[0] - frame) < 1e-6) ? 'keyed' : 'between';
}

/** Whether a keyed channel is without effect, because its part of the chain is switched off. */
export function isSwitchedOff(store, id, channel) {
  const node = store.byId.get(id);
  return isOff(node, idOf(partAt(node, channel))) && keysOf(node, channel).length > 0;
}

/** A field for a channel of a node, with its value at the playhead; it stands at the first frame while switched off. */
export function channelField(store, desk, id, channel) {
  const { label, quantity, unit, digits, step } = parameterOf(store.byId.get(id), channel);
  return new NumberField({
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
}

export const row = (name, ...fields) =>
  h('div', { class: `row ${['', 'one', 'two', ''][fields.length] ?? ''}` }, h('span', { text: name }), ...fields);

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
export const labelled = (text, element) => h('label', { class: 'with-label' }, h('small', { text }), element);
