// What is wrong with curves: overshoot and creeping channels, each with its remedy.
import { button, h } from '../common/dom.js';
import { fixed, trimmed } from '../common/format.js';
import { allFamilies, axisName, measured, parameterOf, pathName, pathsOf } from '../shot/parts.js';
import { keysOf } from '../shot/keys.js';
import { KeyChoice } from '../shot/key-choice.js';
import { NumberField } from './number-field.js';
import { labelled } from './fields.js';

const MOST_LISTED = 60;
const NOTHING_FOUND =
  'No curve swings past its keys by more than the tolerance, and none sets off before its pose key.';

/** Whether joined tangents stay joined by a remedy; kept while other panels are shown. */
const asked = { keepJoined: true };

export const findingsPanel = {
  signature: (store, node, desk) => JSON.stringify([desk.findings(), desk.tolerance]),

  build(store, desk) {
    const { overshoots, creeps, count } = desk.findings();
    const fields = tolerances(store, desk);
    const all = button('Remove all overshoot', () => store.edit(remedies(desk, overshoots)), {
      class: 'main',
      title: 'Limit the guilty tangents only; no key moves',
    });
    all.disabled = overshoots.length === 0;
    const says = count ? `${overshoots.length} overshoot, ${creeps.length} creeping` : 'nothing found';
    return {
      title: 'Findings',
      aside: h('small', { text: says }),
      elements: [
        list(store, desk, overshoots, creeps),
        count ? '' : h('p', { class: 'note', text: NOTHING_FOUND }),
        h(
          'div',
          { class: 'rows' },
          h('div', { class: 'tolerances' }, h('span', { text: 'Let pass' }), ...fields.map((f) => f.named)),
          h('div', { class: 'buttons' }, all, keepJoinedBox()),
        ),
      ],
      refresh: () => fields.forEach((f) => f.field.refresh()),
    };
  },
};

function list(store, desk, overshoots, creeps) {
  return h(
    'ul',
    { class: 'list', 'aria-label': 'Findings' },
    ...creeps.slice(0, MOST_LISTED).map((c) => creep(store, desk, c)),
    ...overshoots.slice(0, MOST_LISTED).map((o) => overshoot(store, desk, o)),
  );
}

/** What is let pass, for each family of which something on set is keyed. */
function tolerances(store, desk) {
  const used = new Set(store.nodes.flatMap((node) => pathsOf(node).map((path) => keyedFamily(node, path))));
  return allFamilies()
    .filter((family) => used.has(family.id))
    .map((family) => {
      const field = new NumberField({
        label: `Overshoot of ${family.id} let pass`,
        quantity: family.quantity,
        unit: family.unit,
        digits: family.digits + 1,
        step: family.tolerance,
        rate: () => store.header.rate,
        get: () => desk.tolerance[family.id],
        set: (to, done) => {
          if (done && to >= 0) desk.setTolerance(family.id, to);
          return to >= 0;
        },
      });
      return { field, named: labelled(axisName(family.id), field.element) };
    });
}

const keyedFamily = (node, path) => (keysOf(node, path).length ? parameterOf(node, path).family : null);

function keepJoinedBox() {
  const box = h('input', {
    type: 'checkbox',
    checked: asked.keepJoined,
    onchange: (event) => {
      asked.keepJoined = event.target.checked;
    },
  });
  const title = 'If not, only the guilty side is turned, and the tangent is broken';
  return h('label', { title }, box, 'joined tangents stay joined');
}

/** Edits that remove overshoots: one for each tolerance. */
function remedies(desk, overshoots) {
  const choice = KeyChoice.union(overshoots.map((o) => KeyChoice.of(o.id, [o.channel], [o.frame])));
  return [...desk.work.byAxis(choice)].map(([axis, part]) => ({
    edit: 'remove-overshoot',
    picks: part.picks(),
    tolerance: desk.tolerance[axis],
    keepJoined: asked.keepJoined,
  }));
}

export function overshoot(store, desk, o) {
  const node = store.byId.get(o.id);
  const name = pathName(node, o.channel);
  const amount = measured(node, o.channel, Math.abs(o.amount));
  const side = o.amount > 0 ? 'over' : 'under';
  const text = `${node.name} ${name} swings ${amount} ${side} its keys at ${fixed(o.frame, 1)}`;
  return h(
    'li',
    {},
    h('button', { type: 'button', class: 'quiet go', text, onclick: () => go(desk, o.id, o.frame) }),
    button('Remove', () => store.edit(remedies(desk, [o])), {
      title: 'Remove this overshoot',
      'aria-label': `Remove overshoot of ${node.name} ${name} at ${fixed(o.frame, 1)}`,
    }),
  );
}

export function creep(store, desk, c) {
  const node = store.byId.get(c.id);
  const name = pathName(node, c.channel);
  const amount = measured(node, c.channel, Math.abs(c.amount));
  const [from, missing] = [trimmed(c.from, 1), trimmed(c.missing, 1)];
  const text = `${node.name} ${name} creeps from ${from}: not keyed at ${missing}; until there it comes ${amount}`;
  return h(
    'li',
    { class: 'creep' },
    h('button', { type: 'button', class: 'quiet go', text, onclick: () => go(desk, c.id, c.missing) }),
    button(`Hold until ${trimmed(c.missing, 1)}`, () => store.edit([holdUntil(c)]), {
      title: 'Keep it still until there; it moves from that key on',
    }),
    button(
      'Key as it is',
      () => store.edit([{ edit: 'insert-keys', picks: [{ id: c.id, channels: [c.channel], frames: [c.missing] }] }]),
      { title: 'Put a key on the curve there; the motion stays as it is' },
    ),
  );
}

export const holdUntil = (c) => ({
  edit: 'hold-until',
  picks: [{ id: c.id, channels: [c.channel], frames: [c.missing] }],
});

function go(desk, id, frame) {
  desk.select(id);
  desk.goTo(frame);
}
