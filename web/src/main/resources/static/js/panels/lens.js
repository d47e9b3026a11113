// Sensor, focal length, f-stop and focus, with what they lead to.
import { h } from '../common/dom.js';
import { fixed } from '../common/format.js';
import { lengthText } from '../common/units.js';
import { isOff, lensOf } from '../shot/parts.js';
import { isParallel, seenBy } from '../shot/seen.js';
import { channelField, choice, fact, isSwitchedOff, labelled, row } from './fields.js';
import { focusPart } from './focus.js';
import { keyState } from './key-button.js';
import { SETTINGS, settingsOf } from './lens-settings.js';
import { NumberField } from './number-field.js';
import { sensorPart } from './sensor.js';

/** The lens of a camera by its parts, each with {rows, refresh}. */
export const lensPanel = {
  signature: (store, node) => {
    const lens = lensOf(node);
    const names = store.nodes.map((n) => n.id + n.name).join();
    return JSON.stringify([...SETTINGS.map((name) => lens[name] ?? null), names]);
  },

  build(store, desk, node) {
    const lens = settingsOf(store, node.id);
    const parallel = lens.now().projection === 'orthographic';
    const parts = [
      projectionPart(lens),
      sensorPart(store, desk, lens),
      ...(parallel ? parallelParts(store, desk, node.id) : perspectiveParts(store, desk, node.id, lens)),
    ];
    const says = h('small', { class: 'note' });
    return {
      title: `Lens · ${node.name}`,
      aside: says,
      elements: [h('div', { class: 'rows' }, ...parts.flatMap((part) => part.rows))],
      refresh() {
        says.textContent = saysOf(store, desk, node.id);
        parts.forEach((part) => part.refresh());
      },
    };
  },
};

const perspectiveParts = (store, desk, id, lens) => [
  focalPart(store, desk, id),
  focusPart(store, desk, id, lens),
  factsPart(store, desk, id, lens),
];

/** How what it sees gets into the picture. */
function projectionPart(lens) {
  const ways = [
    ['perspective', 'perspective'],
    ['orthographic', 'orthographic, in parallel'],
  ];
  const projection = choice('Projection', ways, (way) => lens.set({ projection: way }));
  projection.value = lens.now().projection ?? 'perspective';
  return { rows: [row('Projection', projection)], refresh: () => {} };
}

/** What an orthographic camera has instead of a focal length and a focus. */
function parallelParts(store, desk, id) {
  const width = channelField(store, desk, id, 'width');
  const shown = {
    high: fact('Height', 'What lies above each other in the picture'),
    sharp: fact('Sharp', 'In parallel nothing is out of focus'),
  };
  const refresh = () => {
    width.refresh();
    const now = store.lens(id, desk.frame);
    if (!now) return;
    shown.high.show(lengthText(2 * seenBy(now).up));
    shown.sharp.show('all, no depth of field');
  };
  const facts = h('div', { class: 'facts' }, ...Object.values(shown).map((f) => f.element));
  return [{ rows: [row('Width', width.element), facts], refresh }];
}

/** What the artist must know of the lens now: that it is off, or that it cannot focus so near. */
function saysOf(store, desk, id) {
  const node = store.byId.get(id);
  if (isOff(node, 'lens')) return `switched off: as at ${desk.first()}`;
  const { closeFocusM } = lensOf(node);
  const now = store.lens(id, desk.frame);
  return now && !isParallel(now) && isTooClose(now.focusM, closeFocusM)
    ? `this lens focuses from ${lengthText(closeFocusM)} on`
    : '';
}

const isTooClose = (focusM, closeFocusM) => focusM < closeFocusM - 1e-6;

const rateOf = (store) => () => store.header.rate;

function focalPart(store, desk, id) {
  const focal = channelField(store, desk, id, 'focal');
  const stop = channelField(store, desk, id, 'fstop');
  const view = (side, label, column) =>
    new NumberField({
      label,
      quantity: 'angle',
      unit: '°',
      digits: 2,
      step: 0.5,
      rate: rateOf(store),
      get: () => store.lens(id, desk.frame)?.[column] ?? null,
      at: () => desk.frame,
      set: (degrees, done, frame) => {
        const edit = (keying) => ({ edit: 'set-field-of-view', id, frame, side, degrees, keying });
        return desk.change(store.byId.get(id), ['focal'], edit, { done, frame });
      },
      state: () => keyState(store, id, 'focal', desk.frame),
      disabled: () => isSwitchedOff(store, id, 'focal'),
    });
  const wide = view('horizontal', 'Horizontal field of view', 'horizontalDeg');
  const high = view('vertical', 'Vertical field of view', 'verticalDeg');
  const fields = [focal, stop, wide, high];
  return {
    rows: [
      row('Focal length', focal.element, labelled('F-stop', stop.element)),
      row('View', labelled('across', wide.element), labelled('up', high.element)),
    ],
    refresh: () => fields.forEach((f) => f.refresh()),
  };
}

/** What follows from all of it at the playhead. */
function factsPart(store, desk, id, lens) {
  const facts = {
    near: fact('Near limit', 'Nearest sharp distance'),
    far: fact('Far limit', 'Farthest sharp distance'),
    hyper: fact('Hyperfocal', 'Focused there, all from half of it to infinity is sharp'),
    focus: fact('Focus at', 'Distance along the axis'),
    equal: fact('35 mm equal', 'Focal length with the same diagonal view on 36 × 24 mm'),
    circle: fact('Circle', 'Circle of confusion on the sensor'),
    gate: fact('Gate', 'Part of the sensor that the picture uses'),
  };
  facts.gate.element.classList.add('wide');
  return {
    rows: [h('div', { class: 'facts' }, ...Object.values(facts).map((f) => f.element))],
    refresh() {
      const now = store.lens(id, desk.frame);
      if (!now) return;
      facts.near.show(lengthText(now.nearM));
      facts.far.show(lengthText(now.farM));
      facts.hyper.show(lengthText(now.hyperfocalM));
      showFocus(facts.focus, now.focusM, lens.now().closeFocusM);
      facts.equal.show(`${fixed(now.focalMm * now.equivalent35, 1)} mm`);
      facts.circle.show(`${fixed(now.circleMm * 1000, 1)} µm`);
      showGate(facts.gate, now, lens.now().sensorMm);
    },
  };
}

function showFocus(shown, focusM, closeFocusM) {
  const close = isTooClose(focusM, closeFocusM);
  shown.show(lengthText(focusM) + (close ? ' !' : ''));
  shown.element.classList.toggle('trouble', close);
  const says = `Closer than this lens can focus (${lengthText(closeFocusM)})`;
  shown.element.title = close ? says : 'Distance along the axis';
}

/** @param {any} shown @param {any} lens what it is set to @param {number[]} sensorMm */
function showGate(shown, lens, sensorMm) {
  const exceeds = lens.exceeds > 0;
  const size = (w, h2) => `${fixed(w, 2)} × ${fixed(h2, 2)} mm`;
  shown.show(size(lens.gateWidthMm, lens.gateHeightMm) + (exceeds ? ' !' : ''));
  shown.element.classList.toggle('trouble', exceeds);
  const sensor = size(sensorMm[0], sensorMm[1]);
  const says = `The picture asks for more than the sensor has (${sensor}): fit it by the other side`;
  shown.element.title = exceeds ? says : 'Part of the sensor that the picture uses';
}
