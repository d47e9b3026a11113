// Re-timing to a drawn speed.
import { button, h } from '../common/dom.js';
import { trimmed } from '../common/format.js';
import { choice, labelled } from './fields.js';
import { RampDrawing } from './ramp-drawing.js';

const PRESETS = [
  ['Even', [1, 1]],
  ['Fast, slow, fast', [1.8, 0.5, 1.8]],
  ['Slow, fast, slow', [0.5, 1.8, 0.5]],
];

const TOLERANCES = [
  ['0.01', '1 %'],
  ['0.001', '0.1 %'],
  ['0.0001', '0.01 %'],
];

export function rampPart(asked, store) {
  const range = asked.rangeRow();
  const hits = () =>
    asked.hits && asked.keepLength
      ? store.markers.filter((m) => m.kind === 'hit' && m.frame > asked.from && m.frame < asked.to).map((m) => m.frame)
      : [];
  const drawing = new RampDrawing(asked, hits);
  const ramp = () =>
    asked.retime(
      {
        kind: 'ramp',
        points: drawing.points,
        keepLength: asked.keepLength,
        hits: hits(),
        tolerance: Number(asked.tolerance),
      },
      !asked.keepLength && asked.to >= store.header.out,
    );
  const says = h('small');
  const tolerance = choice('Largest deviation from the exact ramp', TOLERANCES, (to) => {
    asked.tolerance = to;
  });
  tolerance.title = 'How far a curve may be from the exact ramp, of the range of its values; less puts in more keys';
  return {
    says,
    rows: [
      range.element,
      drawing.element,
      h(
        'div',
        { class: 'buttons' },
        button('Ramp', ramp, { class: 'main', title: 'Re-time the keys so that the move plays like this' }),
        ...PRESETS.map(([text, speeds]) => preset(asked, drawing, text, speeds)),
      ),
      h(
        'div',
        { class: 'buttons' },
        asked.check('keepLength', 'length kept'),
        asked.check('hits', 'hits stay put'),
        asked.check('markers', 'markers too'),
        labelled('within', tolerance),
      ),
    ],
    refresh() {
      range.fields.forEach((f) => f.refresh());
      tolerance.value = asked.tolerance;
      says.textContent = asked.keepLength
        ? `${hits().length} hit frames stay`
        : `${asked.to - asked.from} f become ${trimmed(drawing.length(), 1)} f`;
      drawing.draw();
    },
    dispose: () => drawing.dispose(),
  };
}

/** Speeds at even distances over the range. */
function preset(asked, drawing, text, speeds) {
  const at = (i) => asked.from + ((asked.to - asked.from) * i) / (speeds.length - 1);
  return button(text, () => drawing.set(speeds.map((speed, i) => [at(i), speed])), {
    title: `Speeds ${speeds.join(', ')}`,
  });
}
