// What is wrong with curves: overshoot and creeping channels, each with its remedy.
import { button, h } from '../common/dom.js';
import { fixed, trimmed } from '../common/format.js';
import { CHANNELS, measured } from '../shot/channels.js';
import { KeyChoice } from '../shot/key-choice.js';
import { NumberField } from './number-field.js';
import { row } from './parts.js';

const MOST_LISTED = 60;

/** Whether joined tangents stay joined by a remedy; kept while other panels are shown. */
const asked = { keepJoined: true };

export const findingsPanel = {
  signature: (store, node, desk) => JSON.stringify([desk.findings(), desk.tolerance]),

  build(store, desk) {
    const { overshoots, creeps } = desk.findings();
    const tolerance = (axis, label, kind, unit, digits, step) => new NumberField({
      label, kind, unit, digits, step, rate: () => store.header.rate, get: () => desk.tolerance[axis], set: (to, done) => { if (done && to >= 0) desk.setTolerance(axis, to); return to >= 0; },
    });
    const place = tolerance('m', 'Overshoot of place let pass', 'length', 'm', 4, 0.001);
    const turn = tolerance('°', 'Overshoot of turn let pass', 'angle', '°', 3, 0.01);
    const lens = tolerance('mm', 'Overshoot of focal length let pass', 'lens-length', 'mm', 3, 0.01);
    const all = button('Remove all overshoot', () => store.edit(remedies(desk, overshoots)), { class: 'main', title: 'Limit the guilty tangents only; no key moves' });
    all.disabled = overshoots.length === 0;
    return {
      title: 'Findings',
      aside: h('small', { text: overshoots.length + creeps.length ? `${overshoots.length} overshoot, ${creeps.length} creeping` : 'nothing found' }),
      elements: [
        h('ul', { class: 'list', 'aria-label': 'Findings' }, ...creeps.slice(0, MOST_LISTED).map((c) => creep(store, desk, c)), ...overshoots.slice(0, MOST_LISTED).map((o) => overshoot(store, desk, o))),
        overshoots.length + creeps.length ? '' : h('p', { class: 'note', text: 'No curve swings past its keys by more than the tolerance, and no channel sets off before its pose key.' }),
        h('div', { class: 'rows' }, row('Let pass', place.element, turn.element, lens.element), h('div', { class: 'buttons' }, all, h('label', { title: 'If not, only the guilty side is turned, and the tangent is broken' }, h('input', { type: 'checkbox', checked: asked.keepJoined, onchange: (event) => { asked.keepJoined = event.target.checked; } }), 'joined tangents stay joined')))],
      refresh() { [place, turn, lens].forEach((f) => f.refresh()); },
    };
  },
};

/** Edits that remove overshoots: one for each tolerance. */
function remedies(desk, overshoots) {
  const choice = KeyChoice.union(overshoots.map((o) => KeyChoice.of(o.id, [o.channel], [o.frame])));
  return [...desk.byAxis(choice)].map(([axis, part]) => ({ edit: 'remove-overshoot', picks: part.picks(), tolerance: desk.tolerance[axis], keepJoined: asked.keepJoined }));
}

function overshoot(store, desk, o) {
  const { name } = CHANNELS[o.channel];
  const node = store.byId.get(o.id);
  const text = `${node.name} ${name} swings ${measured(o.channel, Math.abs(o.amount))} ${o.amount > 0 ? 'over' : 'under'} its keys at ${fixed(o.frame, 1)}`;
  return h('li', {}, h('button', { type: 'button', class: 'quiet go', text, onclick: () => go(desk, o.id, o.frame) }),
    button('Remove', () => store.edit(remedies(desk, [o])), { title: 'Remove this overshoot', 'aria-label': `Remove overshoot of ${node.name} ${name} at ${fixed(o.frame, 1)}` }));
}

function creep(store, desk, c) {
  const { name } = CHANNELS[c.channel];
  const node = store.byId.get(c.id);
  const text = `${node.name} ${name} creeps from ${trimmed(c.from, 1)}: not keyed at ${trimmed(c.missing, 1)}, where it has come ${measured(c.channel, Math.abs(c.amount))}`;
  return h('li', { class: 'creep' }, h('button', { type: 'button', class: 'quiet go', text, onclick: () => go(desk, c.id, c.missing) }),
    button(`Hold until ${trimmed(c.missing, 1)}`, () => store.edit([holdUntil(c)]), { title: 'Keep it still until there; it moves from that key on' }),
    button('Key as it is', () => store.edit([{ edit: 'insert-keys', picks: [{ id: c.id, channels: [c.channel], frames: [c.missing] }] }]), { title: 'Put a key on the curve there; the motion stays as it is' }));
}

export const holdUntil = (c) => ({ edit: 'hold-until', picks: [{ id: c.id, channels: [c.channel], frames: [c.missing] }] });

function go(desk, id, frame) {
  desk.select(id);
  desk.goTo(frame);
}
