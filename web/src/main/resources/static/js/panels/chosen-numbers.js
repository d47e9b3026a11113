// Exact numbers of the keys in hand: frame, value, and of a single key its handles.
import { common } from './chosen-hand.js';
import { NumberField } from './number-field.js';
import { row } from './fields.js';

const SHORTEST = 0.01;
const NO_OWN_LENGTH = 'The length counts only where handles have their own';

export function numbersPart(hand, rate) {
  const { quantity, unit, digits, step } = hand.measure();
  const oneAxis = hand.axes().length === 1;
  const frame = new NumberField({
    label: 'Frame of the chosen keys',
    quantity: 'frames',
    unit: 'f',
    digits: 2,
    step: 1,
    rate,
    get: () => common(hand.keys().map((k) => k.key[0])),
    set: (to, done) => hand.place({ frame: to }, done, () => to),
  });
  const value = new NumberField({
    label: 'Value of the chosen keys',
    quantity,
    unit,
    digits,
    step,
    rate,
    get: () => (oneAxis ? common(hand.keys().map((k) => k.key[1])) : null),
    set: (to, done) => hand.place({ value: to }, done),
  });
  if (!oneAxis) {
    value.input.placeholder = 'several units';
    value.element.classList.add('unitless');
  }
  return {
    rows: [row('Frame, value', frame.element, value.element)],
    refresh(keys) {
      [frame, value].forEach((f) => f.refresh());
      frame.input.disabled = keys.length === 0;
      value.input.disabled = keys.length === 0 || !oneAxis;
    },
  };
}

/** Drags or types a handle of the only key in hand. */
function setHandle(hand, side, [frames, value], done) {
  const { id, channel, frame } = hand.single();
  const edits = [
    { edit: 'set-handle', id, channel, frame, side, frames: Math.max(SHORTEST, frames), value, alone: false },
  ];
  if (done) return hand.store.edit(edits);
  hand.store.show(edits);
  return true;
}

/** The two numbers of one handle. */
function handleFields(hand, rate, side, text) {
  const { quantity, unit, digits, step } = hand.measure();
  const at = (i) => () => hand.single()?.[side]?.[i] ?? null;
  const length = new NumberField({
    label: `Handle ${side}, frames`,
    quantity: 'frames',
    unit: 'f',
    digits: 2,
    step: 1,
    rate,
    get: at(0),
    set: (to, done) => setHandle(hand, side, [to, at(1)()], done),
  });
  const rise = new NumberField({
    label: `Handle ${side}, value`,
    quantity,
    unit,
    digits,
    step,
    rate,
    get: at(1),
    set: (to, done) => setHandle(hand, side, [at(0)(), to], done),
  });
  const element = row(text, length.element, rise.element);
  element.title = 'How far the handle reaches from the key';
  return { side, length, rise, element };
}

export function handlesPart(hand, rate) {
  const sides = [handleFields(hand, rate, 'in', 'Reached by'), handleFields(hand, rate, 'out', 'Left by')];
  return {
    rows: sides.map((each) => each.element),
    refresh() {
      const single = hand.single();
      for (const { side, length, rise, element } of sides) {
        element.hidden = !single?.[side];
        length.refresh();
        rise.refresh();
        length.input.disabled = !single?.ownLength;
        length.input.title = single?.ownLength ? length.options.label : NO_OWN_LENGTH;
      }
    },
  };
}
