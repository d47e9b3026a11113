// The marks of a frame in a table, and their distance frame by frame in a strip.
import { LIMIT_PX, apart } from './sticking.js';

/** @import { Place } from './marks.js' */
/** @import { Held } from './sticking.js' */
/** @import { View } from './view.js' */

const LEFT = 46;
const RIGHT = 590;
const BASE = 92;
const HEIGHT = 80;

/** @param {Place | null} p */
const words = (p) => (p ? `${p.x.toFixed(2)}, ${p.y.toFixed(2)}` : 'not there');

/**
 * @param {Held} mark
 * @param {number} index
 * @param {string} colour
 */
function row(mark, index, colour) {
  const dot = Object.assign(document.createElement('span'), { className: 'dot' });
  dot.style.background = colour;
  const distance = mark.apart === null ? '–' : mark.apart.toFixed(3);
  const cells = [String(index + 1), words(mark.plate), words(mark.here), distance];
  const out = document.createElement('tr');
  out.replaceChildren(...cells.map((c) => Object.assign(document.createElement('td'), { textContent: c })));
  out.firstElementChild.prepend(dot);
  return out;
}

/**
 * @param {Held[]} marks of a frame
 * @param {string[]} colours
 * @returns {HTMLTableRowElement[]}
 */
export const rows = (marks, colours) => marks.map((mark, i) => row(mark, i, colours[i]));

/**
 * @param {Held[][]} found
 * @param {View} view
 * @param {number} frame where it stands
 * @returns {string} SVG in a box of 600 by 110
 */
export function strip(found, view, frame) {
  const all = apart(found);
  const most = Math.max(LIMIT_PX * 1.2, ...all.map((a) => a ?? 0));
  const x = (/** @type {number} */ i) => LEFT + ((RIGHT - LEFT) * i) / Math.max(1, view.count - 1);
  const y = (/** @type {number} */ a) => BASE - (HEIGHT * a) / most;
  const points = all.flatMap((a, i) => (a === null ? [] : [`${x(i).toFixed(1)},${y(a).toFixed(1)}`]));
  const [now, limit] = [x(frame - view.first), y(LIMIT_PX)];
  return (
    `<line x1="${LEFT}" x2="${RIGHT}" y1="${limit}" y2="${limit}"/>` +
    `<text x="2" y="${limit + 4}">${LIMIT_PX} px</text>` +
    `<line class="now" x1="${now}" x2="${now}" y1="6" y2="94"/>` +
    `<polyline points="${points.join(' ')}"/>` +
    `<text x="${LEFT}" y="107">${view.first}</text>` +
    `<text x="${RIGHT}" y="107" text-anchor="end">${view.last}</text>`
  );
}
