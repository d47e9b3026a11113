// Scaling the keys in hand by numbers, about a point.
import { button } from '../common/dom.js';
import { NumberField } from './number-field.js';
import { choice, labelled, row } from './fields.js';

export function scalePart(hand, rate) {
  const { desk } = hand;
  const by = { time: 1, value: 1 };
  const factor = (name) =>
    new NumberField({
      label: `Factor of ${name}`,
      quantity: 'plain',
      unit: '×',
      digits: 3,
      step: 0.05,
      rate,
      get: () => by[name],
      set: (to, done) => {
        if (done) by[name] = to;
        return true;
      },
    });
  const fields = [factor('time'), factor('value')];
  const about = choice(
    'About which point',
    [
      ['playhead', 'the playhead'],
      ['first', 'the first key'],
      ['last', 'the last key'],
      ['middle', 'the middle'],
    ],
    () => {},
  );
  const scale = button('Scale', async () => {
    if (desk.chosen.isEmpty) desk.chooseKeys(hand.choice);
    const point = pointOf(hand, about.value);
    if (!(await desk.work.scaleKeys({ inTime: by.time, inValue: by.value, ...point }))) return;
    by.time = 1;
    by.value = 1;
    fields.forEach((f) => f.refresh());
  });
  return {
    rows: [
      row('Scale by', labelled('time', fields[0].element), labelled('value', fields[1].element)),
      row('about', about, scale),
    ],
    refresh(keys) {
      fields.forEach((f) => f.refresh());
      scale.disabled = keys.length === 0;
    },
  };
}

/** The frame that stays, and for an axis the value that stays. */
function pointOf(hand, where) {
  const frames = hand.choice.frames();
  const [first, last] = [frames[0], frames[frames.length - 1]];
  const aboutFrame = { playhead: hand.desk.frame, first, last, middle: (first + last) / 2 }[where];
  const aboutValue = (axis) => {
    const keys = hand
      .keys()
      .filter((k) => hand.desk.axisOf(k.id, k.channel) === axis)
      .map((k) => k.key);
    const there = keys.find((k) => k[0] === (where === 'last' ? last : first));
    const values = keys.map((k) => k[1]);
    return there && where !== 'middle' ? there[1] : (Math.min(...values) + Math.max(...values)) / 2;
  };
  return { aboutFrame, aboutValue };
}
