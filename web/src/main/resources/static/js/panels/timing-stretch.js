// Stretching a range about a frame, and moving all that comes later.
import { button, h } from '../common/dom.js';
import { trimmed } from '../common/format.js';
import { NumberField } from './number-field.js';
import { choice, labelled, row } from './fields.js';

const along = (asked) =>
  h(
    'div',
    { class: 'row two' },
    h('span'),
    asked.check('markers', 'markers too'),
    asked.check('range', 'and the end of the shot'),
  );

export function stretchPart(asked, store, desk) {
  const range = asked.rangeRow();
  const factor = asked.field('factor', 'Factor', 'plain', '×', 3, 0.05);
  const frames = () => asked.to - asked.from;
  const length = new NumberField({
    label: 'New length',
    quantity: 'frames',
    unit: 'f',
    digits: 1,
    step: 1,
    rate: () => store.header.rate,
    get: () => frames() * asked.factor,
    set: (v, done) => {
      if (done && v > 0) asked.change({ factor: v / frames() });
      return v > 0;
    },
  });
  const about = choice(
    'About which frame',
    [
      ['from', 'its start'],
      ['to', 'its end'],
      ['playhead', 'the playhead'],
    ],
    () => {},
  );
  const stretch = () => {
    const at = { from: asked.from, to: asked.to, playhead: desk.frame }[about.value];
    return asked.retime(
      { kind: 'stretch', from: asked.from, to: asked.to, about: at, factor: asked.factor, ripple: asked.ripple },
      asked.ripple && asked.range,
    );
  };
  const says = h('small');
  return {
    says,
    rows: [
      range.element,
      row('Factor', factor.element, labelled('makes', length.element)),
      row('About', about, asked.check('ripple', 'later ones move along')),
      along(asked),
      h('div', { class: 'buttons' }, button('Stretch', stretch, { class: 'main' })),
    ],
    refresh() {
      [...range.fields, factor, length].forEach((f) => f.refresh());
      says.textContent = `${frames()} f become ${trimmed(frames() * asked.factor, 1)} f`;
    },
  };
}

export function ripplePart(asked, store, desk) {
  const by = asked.field('by', 'By how many frames');
  const says = h('small');
  const ripple = () => asked.retime({ kind: 'ripple', from: desk.frame, by: asked.by }, asked.range);
  return {
    says,
    rows: [
      row('From', h('small', { text: 'the playhead' }), labelled('by', by.element)),
      along(asked),
      h(
        'div',
        { class: 'buttons' },
        button('Ripple', ripple, { class: 'main', title: 'All that comes at the playhead or later moves along' }),
      ),
    ],
    refresh() {
      by.refresh();
      const way = asked.by < 0 ? 'earlier' : 'later';
      says.textContent = `all from ${desk.frame} on comes ${Math.abs(asked.by)} f ${way}`;
    },
  };
}
