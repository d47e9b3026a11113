// What the checks are asked: from when a camera stands still, what is to be sharp, which piece
// is followed, which repeat.
import { h } from '../common/dom.js';
import { labelled } from '../panels/fields.js';
import { NumberField } from '../panels/number-field.js';

/**
 * Name, label, title, quantity, unit, digits, step.
 *
 * @type {[string, string, string, string, string, number, number][]}
 */
const NUMBERS = [
  ['near', 'Near plane', 'How far before the camera its near plane lies', 'length', 'm', 3, 0.01],
  ['least', 'Still below', 'Speed below which the camera stands still, per second', 'length', 'm/s', 3, 0.005],
  ['leastTurn', 'and', 'Speed below which it does not turn, per second', 'angle', '°/s', 2, 0.05],
];
/** @type {[string, string, string, string, string, number, number]} */
const READABLE = ['readable', 'readable from', 'Least height at which it can be read', 'plain', 'px', 0, 5];
/** @type {[string, string, string, string, string, number, number]} */
const STEPS = ['steps', 'steps', 'How many steps of the repeat the loop goes on by', 'plain', '', 0, 1];
/** @type {Record<string, [number, number]>} */
const ALLOWED = {
  near: [0.001, 100],
  least: [0, 1000],
  leastTurn: [0, 1000],
  steps: [-1000, 1000],
  readable: [1, 16384],
};

function number(checks, [name, label, title, quantity, unit, digits, step]) {
  const field = new NumberField({
    label: title,
    quantity,
    unit,
    digits,
    step,
    rate: () => checks.store.header.rate,
    get: () => checks.asked[name],
    set: (value, done) => {
      const [least, most] = ALLOWED[name];
      if (value < least || value > most) return false;
      if (done) checks.ask({ [name]: digits === 0 ? Math.round(value) : value });
      return true;
    },
  });
  return { field, element: labelled(label, field.element) };
}

/** A choice among some of the nodes, kept up to date. */
function nodeChoice(checks, { said, label, is, none, name }) {
  const select = h('select', {
    'aria-label': label,
    title: label,
    onchange: () => checks.ask({ [name]: select.value }),
  });
  const element = labelled(said, select);
  const refresh = () => {
    const nodes = checks.store.nodes.filter(is);
    const options = [
      h('option', { value: '', text: none }),
      ...nodes.map((n) => h('option', { value: n.id, text: n.name })),
    ];
    select.replaceChildren(...options);
    select.value = checks.asked[name];
    if (select.selectedIndex < 0) select.value = '';
    element.hidden = nodes.length === 0;
  };
  return { select, element, refresh };
}

/** Whether only what the program needs is looked at; without a program it needs nothing. */
function neededTick(checks) {
  const box = h('input', { type: 'checkbox', onchange: () => checks.ask({ needed: box.checked }) });
  const title = 'Only frames for which the program needs this camera, with handles';
  const element = h('label', { class: 'needed', title }, box, 'Needed frames');
  const refresh = () => {
    box.checked = checks.asked.needed;
    element.hidden = checks.store.program.length === 0;
  };
  return { element, refresh };
}

export function connectAskedBar(checks, element) {
  const numbers = NUMBERS.map((each) => number(checks, each));
  const readable = number(checks, READABLE);
  const steps = number(checks, STEPS);
  const subject = nodeChoice(checks, {
    said: 'Sharp on',
    label: 'Subject that is to be sharp',
    is: (node) => node.id !== checks.desk.camera,
    none: 'no subject',
    name: 'subject',
  });
  const piece = nodeChoice(checks, {
    said: 'In view',
    label: 'Piece whose appearance is followed',
    is: (node) => node.kind === 'piece',
    none: 'no piece',
    name: 'piece',
  });
  const repeat = nodeChoice(checks, {
    said: 'Loop goes on by',
    label: 'Repeat whose steps the loop goes on by',
    is: (node) => node.kind === 'repeat',
    none: 'nothing: it comes back',
    name: 'repeat',
  });
  const needed = neededTick(checks);
  element.replaceChildren(
    needed.element,
    ...numbers.map((each) => each.element),
    subject.element,
    piece.element,
    readable.element,
    repeat.element,
    steps.element,
  );
  const refresh = () => {
    if (!checks.isOpen) return;
    for (const each of [...numbers, readable, steps]) each.field.refresh();
    needed.refresh();
    subject.refresh();
    piece.refresh();
    repeat.refresh();
    readable.element.hidden = !checks.asked.piece;
    steps.element.hidden = !checks.asked.repeat;
  };
  checks.addEventListener('asked', refresh);
  checks.desk.addEventListener('layout', refresh);
  checks.store.addEventListener('shot', refresh);
}
