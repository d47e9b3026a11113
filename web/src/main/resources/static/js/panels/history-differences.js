// How two states differ, as a table.
import { h } from '../common/dom.js';
import { degrees, trimmed } from '../common/format.js';
import { lengthText } from '../common/units.js';

const MOST_COMPARED = 8;
const NONE = 1e-6;
const HEADS = ['', 'place', 'turn', 'field of view', 'focal length', 'focus'];

const peak = (p, show) => (p && p.amount > NONE ? `${show(p.amount)} at ${trimmed(p.frame, 1)}` : '–');

const size = ({ difference: { place, turn, view } }) => place.amount + turn.amount + (view ? view.amount : 0);

function row({ name, difference: d }) {
  const cells = [
    peak(d.place, (v) => lengthText(v)),
    peak(d.turn, degrees),
    peak(d.view, degrees),
    peak(d.focal, (v) => `${trimmed(v, 2)} mm`),
    peak(d.focus, (v) => lengthText(v)),
  ];
  return h('tr', {}, h('th', { text: name, scope: 'row' }), ...cells.map((text) => h('td', { text })));
}

function table(nodes) {
  if (!nodes.length) return '';
  const head = h('tr', {}, ...HEADS.map((text) => h('th', { text, scope: 'col' })));
  return h('table', {}, h('thead', {}, head), h('tbody', {}, ...nodes.slice(0, MOST_COMPARED).map(row)));
}

/** @param found what the server says @param first the version compared with @param second another one, or none */
export function differences(found, first, second) {
  const other = second ? `“${second.name}”` : 'now';
  const nodes = [...found.nodes].sort((a, b) => size(b) - size(a));
  const some = `Largest differences between “${first.name}”${second ? '' : ' (dashed)'} and ${other}:`;
  const none = `Nothing moves or sees differently in “${first.name}” and ${other}.`;
  const only = [
    [`Only in ${second ? other : 'this state'}`, found.added],
    [`Only in “${first.name}”`, found.removed],
  ];
  return [
    h('p', { class: 'note', text: nodes.length ? some : none }),
    table(nodes),
    ...only
      .filter(([, names]) => names.length)
      .map(([text, names]) => h('p', { class: 'note', text: `${text}: ${names.join(', ')}` })),
  ];
}
