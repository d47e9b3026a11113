// What the layer of shake in hand adds, channel by channel, as thin lines that cannot be changed.
import { s } from '../common/dom.js';
import { isOn, kindOf, partOf } from '../shot/parts.js';

/**
 * @typedef {{name: string, axis: string, colour: string, values: number[], first: number}} Trace
 */

/** The traces of the chosen card, where that is a layer that is on. @returns {Trace[]} */
export function shakeTraces(desk) {
  const { node, card } = desk;
  const part = node && partOf(node, card);
  if (!['shake', 'recorded'].includes(part?.part) || !isOn(part)) return [];
  const effect = desk.effects.of(node.id, part.id);
  return Object.entries(effect?.channels ?? {}).map(([id, { offsets }]) => {
    const { label, family, colour } = kindOf({ part: 'shake' }).parameters.find((p) => p.id === id);
    return { name: label, axis: family, colour, values: offsets, first: effect.first };
  });
}

/** The line of a trace in a pane. */
export function traceLine(scale, pane, { axis, values, first, colour, name }) {
  let d = '';
  for (let i = 0; i < values.length; i++)
    d += `${d ? 'L' : 'M'}${scale.x(first + i).toFixed(1)} ${scale.y(pane, axis, values[i]).toFixed(1)}`;
  return s('path', { class: `curve shaken ${colour}`, d }, s('title', { text: `What the layer adds: ${name}` }));
}

/** Widens the bounds of axes so that traces fit. @param {Map<string, number[]>} bounds @param {Trace[]} traces */
export function fitTraces(bounds, traces) {
  for (const { axis, values } of traces) {
    const known = bounds.get(axis) ?? [Infinity, -Infinity];
    for (const v of values) {
      known[0] = Math.min(known[0], v);
      known[1] = Math.max(known[1], v);
    }
    bounds.set(axis, known);
  }
  return bounds;
}
