// Parts of forms that the panels of the view share.
import { h } from '../common/dom.js';

let ids = 0;

/** A group of fields under a word. */
export const group = (word, ...children) =>
  h('fieldset', {}, h('legend', { text: word }), h('div', { class: 'field-body' }, ...children));

/** @param {string[][]} options value and text of each */
export const select = (options, attributes = {}) =>
  h('select', attributes, ...options.map(([value, text]) => h('option', { value, text })));

/** A box to tick, with its words. */
export function tick(text, attributes = {}) {
  const box = h('input', { type: 'checkbox', ...attributes });
  return h('label', {}, box, ` ${text}`);
}

/** One of several, with its words. */
export const choice = (name, value, text, attributes = {}) =>
  h('label', {}, h('input', { type: 'radio', name, value, ...attributes }), ` ${text}`);

/** A field with its label before it and what it means behind. */
export function valueRow(label, field, meaning) {
  field.id ||= `value-${++ids}`;
  return h('div', { class: 'value' }, h('label', { for: field.id, text: label }), field, h('p', { text: meaning }));
}

/** Words of trouble, said at once to whoever does not see them. */
export const trouble = () => h('p', { class: 'trouble', role: 'alert', hidden: true });

/** Shows a problem, or that there is none. */
export function say(line, text = '') {
  line.textContent = text;
  line.hidden = !text;
}

/** Runs something, and says in a line what keeps it from happening. */
export async function trying(line, work) {
  say(line);
  try {
    return await work();
  } catch (problem) {
    say(line, problem.message);
    return undefined;
  }
}
