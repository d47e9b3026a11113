// What the curves of the graph are measured on: lines and numbers of the axes, the ruler of frames.
import { s } from '../common/dom.js';
import { fixed, framesPerSecond } from '../common/format.js';
import { tickText } from '../common/ruler.js';
import { axisName } from '../shot/parts.js';
import { AXIS_PX, niceStep, RULER_PX } from './graph-scale.js';

const PER = { value: '', speed: '/s', acceleration: '/s²' };
const NUMBERS_PX = 30;
const MOST_DIGITS = 4;
const FRAMES_PX = 52;

/** The unit of an axis, and the family before it where the unit alone does not say which. */
function unitTexts(name, pane, right) {
  const words = name.split(' ');
  const lines = [`${words[words.length - 1]}${PER[pane.name]}`, words.length > 1 ? words[0] : ''];
  return lines.map((text, line) =>
    s('text', { class: 'unit', x: right - 6, y: pane.top + 12 + line * 12, 'text-anchor': 'end', text }),
  );
}

/**
 * What an axis may be numbered in instead of its own values.
 *
 * @typedef {object} Measure
 * @property {string} axis
 * @property {string} name of its unit
 * @property {(value: number) => number} of a value
 * @property {(number: number) => number} value of a number
 * @property {string} signature the same as long as it measures alike
 */

/** Where numbers stand on an axis: values with their pixels. @param {Measure | null} measure */
function ticksOf(scale, pane, axis, measure) {
  const ends = [scale.value(pane, axis, pane.top + pane.height), scale.value(pane, axis, pane.top)];
  const [low, high] = measure ? ends.map(measure.of) : ends;
  const step = niceStep(((high - low) / pane.height) * NUMBERS_PX);
  const digits = Math.min(MOST_DIGITS, Math.max(0, -Math.floor(Math.log10(step) + 1e-9)));
  const ticks = [];
  for (let v = Math.ceil(low / step) * step; v <= high; v += step) {
    ticks.push({ text: fixed(v, digits), y: scale.y(pane, axis, measure ? measure.value(v) : v) });
  }
  return ticks;
}

function axisParts(scale, pane, axis, { i, measure }) {
  const name = measure?.name ?? axisName(axis);
  const right = scale.left - i * AXIS_PX;
  const ticks = ticksOf(scale, pane, axis, measure);
  const line = ({ y }) =>
    i === 0 ? `M${scale.left} ${y.toFixed(1)}H${scale.right}` : `M${right - 4} ${y.toFixed(1)}h4`;
  const below = pane.top + (name.includes(' ') ? 32 : 20);
  const number = ({ text, y }) =>
    s('text', { class: 'tick', x: right - 6, y: (y + 4).toFixed(1), 'text-anchor': 'end', text });
  const hand = { class: 'axis-hand', x: right - AXIS_PX, y: pane.top, width: AXIS_PX, height: pane.height };
  const says = `Drag or use the wheel to move or zoom ${name}${PER[pane.name]} alone`;
  return [
    ...ticks.filter((tick) => tick.y > below).map(number),
    s('path', { class: i === 0 ? 'lines' : 'ticks', d: ticks.map(line).join('') }),
    s('path', { class: 'axis', d: `M${right} ${pane.top}v${pane.height}` }),
    ...unitTexts(name, pane, right),
    s('rect', { ...hand, 'data-axis': axis, 'data-pane': pane.name }, s('title', { text: says })),
  ];
}

/** Lines and numbers of a pane, every axis with its unit. @param {Measure | null} other */
export function gridParts(scale, pane, axes, other) {
  const measureOf = (axis) => (other?.axis === axis && pane.name === 'value' ? other : null);
  const parts = axes.flatMap((axis, i) => axisParts(scale, pane, axis, { i, measure: measureOf(axis) }));
  if (pane.name === 'value') return parts;
  return [...parts, s('text', { class: 'pane-name', x: scale.left + 6, y: pane.top + 13, text: pane.name })];
}

/** The ruler of frames: its numbers apart, since the flag of the playhead may cover some. */
export function rulerParts({ scale, desk, store }) {
  const rate = Math.round(framesPerSecond(store.header.rate));
  const steps = [1, 2, 5, 10, Math.round(rate / 2), rate, rate * 2, rate * 5, rate * 10, rate * 30];
  const big = steps.find((n) => n * scale.perFrame > FRAMES_PX) ?? rate * 60;
  const start = desk.first() + Math.ceil((scale.frames[0] - desk.first()) / big) * big;
  const ticks = [];
  let d = '';
  for (let f = start; f <= scale.frames[1]; f += big) {
    d += `M${scale.x(f).toFixed(1)} 14V${scale.height}`;
    ticks.push(tickText(f, scale.x(f), 14));
  }
  const end = (f) => `M${scale.x(f).toFixed(1)} ${RULER_PX}V${scale.height}`;
  const box = { class: 'ruler', x: scale.left, y: 0, width: scale.right - scale.left, height: RULER_PX };
  const parts = [
    s('rect', { ...box, 'data-ruler': '1' }),
    ...ticks,
    s('path', { class: 'lines', d, 'pointer-events': 'none' }),
    s('path', { class: 'ends', d: end(desk.first()) + end(desk.last()), 'pointer-events': 'none' }),
  ];
  return { ticks, parts };
}
