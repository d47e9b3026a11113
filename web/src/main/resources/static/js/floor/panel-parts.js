// Pieces that all panels are made of.
import { h } from '../common/dom.js';
import { NumberField } from './number-field.js';
import { keysOf } from './shot-store.js';

/** Whether a channel is keyed at this frame, between keys, or not at all. */
export function keyState(store, id, channel, frame) {
  const node = store.byId.get(id);
  const keys = node ? keysOf(node, channel) : [];
  if (!keys.length) return '';
  return keys.some((k) => Math.abs(k[0] - frame) < 1e-6) ? 'keyed' : 'between';
}

const CHANNELS = {
  x: { label: 'X', kind: 'length', unit: 'm', digits: 3, step: 0.05 },
  y: { label: 'Y', kind: 'length', unit: 'm', digits: 3, step: 0.05 },
  z: { label: 'Z', kind: 'length', unit: 'm', digits: 3, step: 0.05 },
  pan: { label: 'Pan', kind: 'angle', unit: '°', digits: 2, step: 1 },
  tilt: { label: 'Tilt', kind: 'angle', unit: '°', digits: 2, step: 1 },
  roll: { label: 'Roll', kind: 'angle', unit: '°', digits: 2, step: 1 },
  focal: { label: 'Focal length', kind: 'lens-length', unit: 'mm', digits: 2, step: 1 },
  fstop: { label: 'F-stop', kind: 'stop', unit: 'f/', digits: 2, step: 0.1 },
  focus: { label: 'Focus distance', kind: 'length', unit: 'm', digits: 3, step: 0.1 },
};

/** A field for a channel of a node, with its value at the playhead. */
export function channelField(store, desk, id, channel) {
  const { label, ...how } = CHANNELS[channel];
  return new NumberField({
    ...how,
    label,
    rate: () => store.header.rate,
    get: () => {
      const own = store.motion.get(id)?.own[channel];
      return own ? store.value(desk.frame, own) : null;
    },
    set: (value, done) => {
      const node = store.byId.get(id);
      const frame = desk.frame;
      return desk.change(node, [channel], (keying) => ({ edit: 'set-values', id, frame, values: { [channel]: value }, keying }), { done });
    },
    state: () => keyState(store, id, channel, desk.frame),
  });
}

export const row = (name, ...fields) => h('div', { class: `row ${['', 'one', 'two', ''][fields.length] ?? ''}` }, h('span', { text: name }), ...fields);

export const heads = (...names) => h('div', { class: 'row' }, h('span'), ...names.map((text) => h('span', { class: 'heads', text })));

/** A number that is only shown. */
export function fact(name, title) {
  const value = h('span');
  const element = h('div', { title }, h('small', { text: name }), value);
  return { element, show: (text) => { value.textContent = text; } };
}

export function choice(label, options, onchange) {
  return h('select', { 'aria-label': label, onchange: (event) => onchange(event.target.value) },
    ...options.map(([value, text]) => h('option', { value, text })));
}
