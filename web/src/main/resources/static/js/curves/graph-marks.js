// What stands on the curves of the graph: beads, overshoots, handles, the point about which keys are scaled, names.
import { s } from '../common/dom.js';
import { fixed } from '../common/format.js';
import { beadPath } from '../common/bead.js';
import { LabelRoom } from '../common/label-room.js';
import { measured, parameterOf, pathName } from '../shot/parts.js';
import { valueAt } from '../shot/samples.js';

const BEAD_PX = 4;
const MOST_HANDLES = 60;
const NAME_PX = 12;
const PLAIN = ['hold', 'straight'];
const OVER_PX = [12, 26, -14, 40, -28, 54];
const OVER_LETTER_PX = 6.8;

const colourOf = (curve) => parameterOf(curve.node, curve.channel).colour;

/** Beads of a curve as paths, by their look. */
export function beadPaths(graph, pane, curve, chosen) {
  const { scale } = graph;
  const d = { '': '', ' ring': '', ' chosen': '' };
  for (const key of curve.keys) {
    if (key[0] < scale.frames[0] || key[0] > scale.frames[1]) continue;
    const at = `${scale.x(key[0]).toFixed(1)} ${scale.y(pane, curve.axis, key[1]).toFixed(1)}`;
    const shape = `M${at}${beadPath(new Set([key[2]]), true, BEAD_PX)}`;
    d[key[2] === 'free' ? ' ring' : ''] += shape;
    if (chosen?.has(curve.id, curve.channel, key[0])) d[' chosen'] += shape;
  }
  const colour = `${colourOf(curve)}${curve.locked ? ' locked' : ''}`;
  return Object.entries(d)
    .filter(([, path]) => path)
    .map(([look, path]) => s('path', { class: `bead${look}${look === ' chosen' ? '' : ` ${colour}`}`, d: path }));
}

/** Where curves of a node swing past their keys, and by how much. @param {LabelRoom} room for the amounts */
export function overshootMarks(graph, pane, id, curves, room) {
  const { scale } = graph;
  return graph.desk.overshootsOf(id).flatMap(([channel, frame, value, amount]) => {
    const curve = curves.find((c) => c.id === id && c.channel === channel);
    if (!curve || frame < scale.frames[0] || frame > scale.frames[1]) return [];
    const [x, y] = [scale.x(frame), scale.y(pane, curve.axis, value)];
    const text = `${amount > 0 ? '+' : '−'}${measured(curve.node, channel, Math.abs(amount))}`;
    const says = `Overshoot of ${pathName(curve.node, channel)}: ${text} past its keys at frame ${fixed(frame, 1)}`;
    const transform = `translate(${x.toFixed(1)} ${y.toFixed(1)})`;
    const way = amount > 0 ? -1 : 1;
    const at = room.take(
      OVER_PX.map((dy) => [x + 9, y + 5 + way * dy]),
      text.length * OVER_LETTER_PX,
    );
    return [
      s('path', { class: 'overshoot', d: 'M0 -5.5L5.5 0L0 5.5L-5.5 0Z', transform }, s('title', { text: says })),
      ...(at ? [s('text', { class: 'over', x: at[0].toFixed(1), y: at[1].toFixed(1), text })] : []),
    ];
  });
}

/** Room for the amounts of overshoots in a pane. */
export const overshootRoom = (scale, pane) =>
  new LabelRoom([scale.left, pane.top, scale.right, pane.top + pane.height]);

/** The handles of a key that bend the curve: side, segment, and where its control point stands in that. */
function ends(curve, key, i) {
  const all = [
    ['in', i - 1, 4],
    ['out', i, 2],
  ];
  return all.filter(([side, n]) => {
    if (n < 0 || n >= curve.keys.length - 1) return false;
    return !PLAIN.includes(side === 'out' ? key[2] : curve.keys[n][2]);
  });
}

function handle(graph, pane, curve, key, side, [frame, value]) {
  const { scale } = graph;
  const [x, y] = [scale.x(key[0]), scale.y(pane, curve.axis, key[1])];
  const [hx, hy] = [scale.x(frame), scale.y(pane, curve.axis, value)];
  const box = { class: 'handle', x: (hx - 4).toFixed(1), y: (hy - 4).toFixed(1), width: 8, height: 8 };
  const name = `${curve.id} ${curve.channel} ${key[0]} ${side}`;
  return [
    s('path', { class: 'tangent', d: `M${x.toFixed(1)} ${y.toFixed(1)}L${hx.toFixed(1)} ${hy.toFixed(1)}` }),
    s('rect', { ...box, 'data-handle': name }, s('title', { text: 'Drag the tangent; Alt for this side alone' })),
  ];
}

/** The handles of the chosen keys, if they are not too many. */
export function handleMarks(graph, pane, curves) {
  const { chosen } = graph.desk;
  if (chosen.count > MOST_HANDLES) return [];
  return curves.flatMap((curve) => {
    const segments = graph.store.motion.get(curve.id)?.curves?.[curve.channel]?.segments;
    if (!segments || !chosen.framesOf(curve.id, curve.channel).length) return [];
    return curve.keys.flatMap((key, i) => {
      if (!chosen.has(curve.id, curve.channel, key[0])) return [];
      return ends(curve, key, i).flatMap(([side, n, from]) =>
        handle(graph, pane, curve, key, side, [segments[n * 8 + from], segments[n * 8 + from + 1]]),
      );
    });
  });
}

/** The point that stays when keys are scaled. */
export function pivotMark(at) {
  const cross = {
    class: 'pivot',
    d: 'M-9 0H9M0 -9V9M-5 0A5 5 0 1 0 5 0A5 5 0 1 0 -5 0',
    transform: `translate(${at[0].toFixed(1)} ${at[1].toFixed(1)})`,
    'data-pivot': '1',
  };
  return s('path', cross, s('title', { text: 'Keys are scaled about this point. Drag it to where it shall be' }));
}

/** Where a name may stand without covering those that have their place. */
function free(y, taken, pane) {
  const covered = (at) => taken.some((t) => Math.abs(t - at) < NAME_PX);
  let at = y;
  while (covered(at) && at > pane.top + NAME_PX - 1) at -= NAME_PX;
  while (covered(at)) at += NAME_PX;
  return at > pane.top + pane.height ? null : at;
}

/** Which curve is which, at its right end, without covering one another. */
export function nameMarks(graph, curves) {
  const { scale, store } = graph;
  const pane = scale.pane('value');
  const frame = Math.min(scale.frames[1], store.grid.first + store.grid.count - 1);
  const taken = [];
  return curves
    .filter((c) => !c.dim)
    .flatMap((curve) => {
      const column = graph.column(store, curve, 'value');
      if (!column) return [];
      const wanted = scale.y(pane, curve.axis, valueAt(store, column, frame)) - 5;
      const y = free(Math.max(pane.top + 11, Math.min(pane.top + pane.height - 4, wanted)), taken, pane);
      if (y === null) return [];
      taken.push(y);
      return [nameMark(scale, curve, y)];
    });
}

function nameMark(scale, curve, y) {
  const name = pathName(curve.node, curve.channel);
  const look = `name ${colourOf(curve)}`;
  if (scale.namesBeside) return s('text', { class: look, x: scale.right + 5, y: (y + 9).toFixed(1), text: name });
  const text = `${curve.node.name} ${name}${curve.locked ? ' (locked)' : ''}`;
  return s('text', { class: look, x: scale.right - 4, y: y.toFixed(1), 'text-anchor': 'end', text });
}
