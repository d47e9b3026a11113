// The numbers of the bench: each typed with its unit, keyed where it can be.
import { h } from '../common/dom.js';
import { channelField, choice } from '../panels/fields.js';
import { settingsOf } from '../panels/lens-settings.js';
import { NumberField } from '../panels/number-field.js';
import { framesPerSecond } from '../common/format.js';
import { focusMoved } from '../shot/focus.js';

/** @param {string} name @param {any} field */
const named = (name, field) => h('label', {}, h('small', { text: name }), field.element ?? field);

/** All fields of a camera, by what they are called in the drawings. */
export function fieldsOf(store, desk, id) {
  const lens = settingsOf(store, id);
  const channel = (name) => channelField(store, desk, id, name);
  const rate = () => store.header.rate;
  const setting = (label, { quantity, unit, digits, step, usual }, get, change) =>
    new NumberField({
      label,
      quantity,
      unit,
      digits,
      step,
      usual,
      rate,
      get,
      set: (value, done) => lens.set(change(value), done),
    });
  const iris = () => lens.now().iris ?? { blades: 0, roundness: 0 };
  const metres = { quantity: 'length', unit: 'm', digits: 2, step: 0.05, usual: 0.45 };
  const plain = { quantity: 'plain', unit: '', digits: 2, step: 0.05, usual: 0 };
  return {
    focal: channel('focal'),
    stop: channel('fstop'),
    focus: lens.now().follow || lens.now().pulls ? followedFocus(store, desk, id, lens) : channel('focus'),
    blur: channel('blur'),
    squeeze: channel('squeeze'),
    turn: channel('irisTurn'),
    width: channel('width'),
    shutter: channel('shutter'),
    overscan: channel('overscan'),
    shiftRight: channel('shiftRight'),
    shiftUp: channel('shiftUp'),
    openFor: openFor(store, desk, id),
    closeFocus: setting(
      'Close focus',
      metres,
      () => lens.now().closeFocusM,
      (closeFocusM) => ({ closeFocusM }),
    ),
    circle: setting(
      'Circle of confusion',
      { quantity: 'plain', unit: 'µm', digits: 1, step: 1, usual: undefined },
      () => (store.lens(id, desk.frame)?.circleMm ?? 0) * 1000,
      (micro) => ({ circleMm: micro > 0 ? micro / 1000 : null }),
    ),
    blades: setting(
      'Blades of the iris, 0 for a round one',
      { ...plain, digits: 0, step: 1 },
      () => iris().blades,
      (blades) => ({ iris: { ...iris(), blades: rounded(blades, iris().blades) } }),
    ),
    roundness: setting(
      'Roundness of the blades, 0 straight to 1 round',
      plain,
      () => iris().roundness,
      (roundness) => ({ iris: { ...iris(), roundness } }),
    ),
    opens: opensChoice(lens),
  };
}

/** Where the focus is while it follows or is pulled: another distance is another offset, or moves the mark. */
function followedFocus(store, desk, id, lens) {
  const now = () => store.lens(id, desk.frame)?.focusM ?? 0;
  return new NumberField({
    label: 'Focus distance',
    title: lens.now().pulls
      ? 'Pulled; another distance is another one of the mark that is in force'
      : 'Follows; another distance is another offset from what it follows',
    quantity: 'length',
    unit: 'm',
    digits: 3,
    step: 0.1,
    rate: () => store.header.rate,
    get: now,
    set: (value, done) => {
      return lens.set(focusMoved(lens.now(), desk.frame, now(), value), done);
    },
  });
}

/** One or two blades are none: a step from none leads to three, and back. */
function rounded(blades, was) {
  const whole = Math.round(blades);
  return whole > 0 && whole < 3 ? (was === 0 ? 3 : 0) : whole;
}

/** The shutter by its time, which follows the angle. */
function openFor(store, desk, id) {
  const perFrame = () => 360 * framesPerSecond(store.header.rate);
  return new NumberField({
    label: 'Shutter time, one part of a second',
    quantity: 'plain',
    unit: 's⁻¹',
    digits: 1,
    step: 1,
    rate: () => store.header.rate,
    get: () => {
      const angle = store.lens(id, desk.frame)?.shutterDeg;
      return angle ? perFrame() / angle : null;
    },
    at: () => desk.frame,
    set: (parts, done, frame) => {
      const values = { shutter: perFrame() / Math.max(0.01, parts) };
      const edit = (keying) => ({ edit: 'set-values', id, frame, values, keying });
      return desk.change(store.byId.get(id), ['shutter'], edit, { done, frame });
    },
    empty: 'shut',
  });
}

function opensChoice(lens) {
  const ways = [
    ['centred', 'around the frame'],
    ['forward', 'from the frame on'],
  ];
  const element = choice('When the shutter is open', ways, (shutterOpens) => lens.set({ shutterOpens }));
  return {
    element,
    refresh: () => {
      element.value = lens.now().shutterOpens ?? 'centred';
    },
  };
}

/** The numbers of an orthographic camera: those of the picture, and of the shutter. */
export const parallelGroups = (fields) => ({
  field: [
    named('Width', fields.width),
    named('Overscan', fields.overscan),
    named('Shift', fields.shiftRight),
    named('up', fields.shiftUp),
  ],
  shutter: [named('Shutter', fields.shutter), named('1/', fields.openFor), named('', fields.opens)],
});

/** The numbers below each drawing. */
export const groups = (fields, pick) => ({
  section: [
    named('Focal length', fields.focal),
    named('F-stop', fields.stop),
    named('Blur', fields.blur),
    named('Shift', fields.shiftRight),
    named('up', fields.shiftUp),
  ],
  iris: [
    named('Blades', fields.blades),
    named('Round', fields.roundness),
    named('Turn', fields.turn),
    named('Squeeze', fields.squeeze),
  ],
  field: [
    named('Overscan', fields.overscan),
    named('Shutter', fields.shutter),
    named('1/', fields.openFor),
    named('', fields.opens),
  ],
  depth: [named('Focus', fields.focus), pick, named('Close focus', fields.closeFocus), named('Circle', fields.circle)],
});
