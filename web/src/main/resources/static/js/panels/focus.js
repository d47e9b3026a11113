// Where the focus of a camera comes from.
import { button, h } from '../common/dom.js';
import { aimedAt, targetNode } from '../shot/targets.js';
import { channelField, choice, labelled, row } from './fields.js';
import { pickFocus } from './focus-pick.js';
import { pullsPart } from './focus-pulls.js';
import { NumberField } from './number-field.js';
import { showPoints, withPoint } from './target-field.js';

const rateOf = (store) => () => store.header.rate;

/** What stands in the choice for focus that is pulled; no node is called so. */
const PULLED = ' pulls';

/** Focus by distance, pulled between marks, or on a node: at which of its points, how high, how far off, how late. */
export function focusPart(store, desk, id, lens) {
  const { follow, pulls } = lens.now();
  const nodes = store.nodes.filter((n) => n.id !== id);
  const ways = [
    ['', 'at a distance'],
    [PULLED, 'pulled between marks'],
  ];
  const focusOn = choice('Focus', [...ways, ...nodes.map((n) => [n.id, `follows ${n.name}`])], (way) =>
    lens.set(taken(store, desk, id, lens, way)),
  );
  focusOn.value = pulls ? PULLED : (follow?.node ?? '');
  if (pulls) return pullsPart(store, desk, id, lens, focusOn);
  if (follow) return followPart(store, lens, focusOn);
  const focus = channelField(store, desk, id, 'focus');
  const pick = button('Pick', () => pickFocus(store, desk, id), { title: 'Press in the picture what is to be sharp' });
  return { rows: [row('Focus', focusOn, focus.element), row('', pick)], refresh: () => focus.refresh() };
}

/** The settings that another way of focusing begins with: pulls at the distance that there is now. */
function taken(store, desk, id, lens, way) {
  if (way !== PULLED) return { pulls: null, follow: way ? { ...aimedAt(store, way), offsetM: 0 } : null };
  const { follow } = lens.now();
  const metres = store.lens(id, desk.frame)?.focusM ?? 5;
  const mark = follow ? markOn(store, follow) : { name: 'Start', metres };
  return { follow: null, pulls: { along: 'ring', marks: [{ id: 'mark-1', ...mark }], by: [] } };
}

/** A mark on what has been followed. */
function markOn(store, follow) {
  const { node, point, place, offsetM } = follow;
  return { name: targetNode(store, follow), ...(node ? { node, ...(point && { point }) } : { place }), offsetM };
}

function followPart(store, lens, focusOn) {
  const number = (label, get, change) =>
    new NumberField({
      label,
      quantity: 'length',
      unit: 'm',
      digits: 3,
      step: 0.05,
      usual: 0,
      rate: rateOf(store),
      get,
      set: (value, done) => lens.set({ follow: { ...lens.now().follow, ...change(value) } }, done),
    });
  const pointNow = () => lens.now().follow?.point ?? [0, 0, 0];
  const at = (name) =>
    lens.set({ follow: { ...withPoint(store, lens.now().follow, name), offsetM: offset(), lagFrames: lag() } });
  const offset = () => lens.now().follow?.offsetM ?? 0;
  const lag = () => lens.now().follow?.lagFrames ?? 0;
  const point = choice('Point that is followed', [], at);
  const height = number(
    'Height of the followed point',
    () => pointNow()[1],
    (y) => ({ point: [pointNow()[0], y, pointNow()[2]] }),
  );
  const beside = number('Offset from the followed point', offset, (offsetM) => ({ offsetM }));
  const late = new NumberField({
    label: 'Frames by which focus comes after what it follows',
    quantity: 'frames',
    unit: 'f',
    digits: 0,
    step: 1,
    usual: 0,
    rate: rateOf(store),
    get: () => lens.now().follow?.lagFrames ?? 0,
    set: (value, done) =>
      lens.set({ follow: { ...lens.now().follow, lagFrames: Math.max(0, Math.round(value)) } }, done),
  });
  return {
    rows: [
      row('Focus', focusOn, point),
      row('Followed', labelled('height', height.element), labelled('offset', beside.element)),
      row('', labelled('late by', late.element), h('span')),
    ],
    refresh() {
      const { follow } = lens.now();
      if (!follow) return;
      showPoints(store, follow, point);
      [height, beside, late].forEach((f) => f.refresh());
    },
  };
}
