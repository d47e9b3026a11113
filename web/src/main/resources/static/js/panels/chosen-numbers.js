// Exact numbers of the keys in hand: frame, value, and of a single key its handles.
import { common } from './chosen-hand.js';
import { NumberField } from './number-field.js';
import { row } from './fields.js';

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

export function handlesPart(hand, rate) {
  const { quantity, unit, digits, step } = hand.measure();
  const set = (side, handle, done) => {
    const { id, channel, frame } = hand.single();
    const edits = [
      {
        edit: 'set-handle',
        id,
        channel,
        frame,
        side,
        frames: Math.max(0.01, handle[0]),
        value: handle[1],
        alone: false,
      },
    ];
    if (done) return hand.store.edit(edits);
    hand.store.show(edits);
    return true;
  };
  const sides = [
    ['in', 'Reached by'],
    ['out', 'Left by'],
  ].map(([side, text]) => {
    const at = (i) => () => hand.single()?.[side]?.[i] ?? null;
    const length = new NumberField({
      label: `Handle ${side}, frames`,
      quantity: 'frames',
      unit: 'f',
      digits: 2,
      step: 1,
      rate,
      get: at(0),
      set: (to, done) => set(side, [to, at(1)()], done),
    });
    const rise = new NumberField({
      label: `Handle ${side}, value`,
      quantity,
      unit,
      digits,
      step,
      rate,
      get: at(1),
      set: (to, done) => set(side, [at(0)(), to], done),
    });
    const element = row(text, length.element, rise.element);
    element.title = 'How far the handle reaches from the key';
    return { side, length, rise, element };
  });
  return {
    rows: sides.map((each) => each.element),
    refresh() {
      const single = hand.single();
      for (const { side, length, rise, element } of sides) {
        element.hidden = !single?.[side];
        length.refresh();
        rise.refresh();
        length.input.disabled = !single?.ownLength;
        length.input.title = single?.ownLength
          ? length.options.label
          : 'The length counts only where handles have their own';
      }
    },
  };
}
