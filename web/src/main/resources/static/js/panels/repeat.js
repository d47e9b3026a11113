// How often, at which step and when something is repeated, and what is.
import { button, h } from '../common/dom.js';
import { carrierOf } from '../shot/parts.js';
import { choice, heads, labelled, row } from './fields.js';
import { NumberField } from './number-field.js';

const FULL_TURN = 360;
const NEARLY_WHOLE = 1e-6;
/** @type {Record<string, [string, string, string, number, number]>} label, quantity, unit, digits, step */
const FIELDS = {
  count: ['Copies', 'plain', '', 0, 1],
  before: ['Copies before it', 'plain', '', 0, 1],
  x: ['Step x', 'length', 'm', 3, 0.05],
  y: ['Step y', 'length', 'm', 3, 0.05],
  z: ['Step z', 'length', 'm', 3, 0.05],
  pan: ['Step pan', 'angle', '°', 2, 1],
  tilt: ['Step tilt', 'angle', '°', 2, 1],
  roll: ['Step roll', 'angle', '°', 2, 1],
  later: ['Each copy later by', 'frames', 'f', 2, 1],
  spread: ['Strewn over', 'frames', 'f', 2, 1],
  seed: ['Seed', 'plain', '', 0, 1],
};
const WHOLE = ['count', 'before', 'seed'];

const USUAL = { first: 0, x: 0, y: 0, z: 0, pan: 0, tilt: 0, roll: 0, later: 0, spread: 0, seed: 1 };

export const repeatPanel = {
  signature: (store, node) => store.nodes.map((n) => n.id + n.name + (carrierOf(n) === node.id)).join(),

  build(store, desk, node) {
    const fields = Object.fromEntries(Object.keys(FIELDS).map((name) => [name, field(store, node.id, name)]));
    const of = (name) => fields[name].element;
    const round = button('Fill a round', () => change(store, node.id, { count: roundOf(store, node.id) }, true), {
      title: 'As many copies as go into a full turn of the step',
    });
    return {
      title: `Repeat · ${node.name}`,
      elements: [
        h(
          'div',
          { class: 'rows' },
          row('Copies', of('count'), labelled('before it', of('before')), round),
          heads('x', 'y', 'z'),
          row('Step', of('x'), of('y'), of('z')),
          heads('pan', 'tilt', 'roll'),
          row('and turn', of('pan'), of('tilt'), of('roll')),
          row('Later by', of('later'), labelled('strewn over', of('spread')), labelled('seed', of('seed'))),
          row('Repeats', ...members(store, desk, node)),
        ),
      ],
      refresh() {
        if (!store.byId.has(node.id)) return;
        Object.values(fields).forEach((each) => each.refresh());
        round.disabled = roundOf(store, node.id) === null;
      },
    };
  },
};

const repeatOf = (store, id) => ({ ...USUAL, ...store.byId.get(id).repeat });

/** How many copies make a full turn, or null where the step does not divide one. */
function roundOf(store, id) {
  const { pan } = repeatOf(store, id);
  const count = FULL_TURN / Math.abs(pan);
  return Number.isFinite(count) && Math.abs(count - Math.round(count)) < NEARLY_WHOLE ? Math.round(count) : null;
}

function change(store, id, to, done) {
  const edits = [{ edit: 'set-repeat', id, repeat: { ...repeatOf(store, id), ...to } }];
  if (done) return store.edit(edits);
  store.show(edits);
  return true;
}

/** Copies before it are counted from the first one; their number in all grows and shrinks with them. */
function withBefore(now, before) {
  const behind = now.count + now.first - 1;
  return { first: -before, count: before + 1 + behind };
}

function field(store, id, name) {
  const [label, quantity, unit, digits, step] = FIELDS[name];
  return new NumberField({
    label,
    quantity,
    unit,
    digits,
    step,
    rate: () => store.header.rate,
    get: () => (name === 'before' ? 0 - repeatOf(store, id).first : repeatOf(store, id)[name]),
    usual: USUAL[name],
    set: (typed, done) => {
      const value = WHOLE.includes(name) ? Math.round(typed) : typed;
      const to = name === 'before' ? withBefore(repeatOf(store, id), Math.max(0, value)) : { [name]: value };
      return change(store, id, to, done);
    },
  });
}

/** What it repeats, to go to, and what may be put in. */
function members(store, desk, node) {
  const carried = store.nodes.filter((n) => carrierOf(n) === node.id);
  const free = store.nodes.filter((n) => n.kind !== 'repeat' && !carried.includes(n) && n.kind !== 'camera');
  const put = choice('Put into this repeat', [['', 'put in …'], ...free.map((n) => [n.id, n.name])], (id) =>
    id ? desk.nodes.carry([id], node.id, 'place') : null,
  );
  const names = carried.map((n) => button(n.name, () => desk.select(n.id), { title: `Go to ${n.name}` }));
  return [h('span', { class: 'buttons' }, ...names, put)];
}
