// The small curve on a card: of what changes most, between the shot's ends, with its name and how far it goes.
import { s } from '../common/dom.js';
import { withUnit } from '../shot/parts.js';

const MOST_POINTS = 60;
const [WIDTH, HEIGHT, AIR] = [100, 24, 2];

const svg = (attributes) =>
  s(
    'svg',
    { viewBox: `0 0 ${WIDTH} ${HEIGHT}`, preserveAspectRatio: 'none', 'aria-hidden': 'true' },
    s('path', attributes),
  );

/**
 * @typedef {{column: ArrayLike<number>, name: string, family: string, first?: number}} Shown first: frame of the first
 *   number, where the column has one a frame and is not on the grid of the shot
 */

/** @param {Shown} shown */
const valueFrom = ({ column, first }, frame) =>
  column[Math.max(0, Math.min(column.length - 1, Math.round(frame - first)))];

/**
 * @param {Shown[]} columns those that may be shown
 * @returns {{element: SVGElement, says: string}} the curve, and in words what it is
 */
export function smallCurve(store, desk, columns) {
  const shown = liveliest(columns);
  if (!shown) return { element: svg({ d: `M0 ${HEIGHT / 2}H${WIDTH}`, 'stroke-opacity': '.35' }), says: '' };
  const frames = desk.last() - desk.first();
  const count = Math.max(1, Math.min(MOST_POINTS, frames)); // no finer than the frames are: between them it is smooth
  const frame = (i) => desk.first() + (frames * i) / count;
  const at = (f) => (shown.first === undefined ? store.value(f, shown.column) : valueFrom(shown, f));
  const values = Array.from({ length: count + 1 }, (_, i) => at(frame(i)));
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const y = (v) => HEIGHT - AIR - ((HEIGHT - 2 * AIR) * (v - low)) / (high - low || 1);
  const points = values.map((v, i) => [(WIDTH * i) / count, y(v)]);
  const says = `${shown.name} ${withUnit(shown.family, low)} to ${withUnit(shown.family, high)}`;
  return { element: svg({ d: smooth(points) }), says };
}

/** A smooth line through points at even steps, held flat at highest and lowest ones. */
function smooth(points) {
  const slope = (i) => {
    const [before, after] = [points[i - 1], points[i + 1]];
    if (!before || !after || (points[i][1] - before[1]) * (after[1] - points[i][1]) <= 0) return 0;
    return (after[1] - before[1]) / 2;
  };
  const text = (...numbers) => numbers.map((v) => v.toFixed(1)).join(' ');
  const step = points.length > 1 ? points[1][0] / 3 : 0;
  return points
    .map(([x, y], i) => {
      if (i === 0) return `M${text(x, y)}`;
      const [x0, y0] = points[i - 1];
      return `C${text(x0 + step, y0 + slope(i - 1) / 3, x - step, y - slope(i) / 3, x, y)}`;
    })
    .join('');
}

/** The column that changes most, if one does. @param {Shown[]} columns @returns {Shown | null} */
function liveliest(columns) {
  let best = null;
  let widest = 0;
  for (const each of columns) {
    if (!each.column || each.column.length === 1) continue;
    let [low, high] = [Infinity, -Infinity];
    for (let i = 0; i < each.column.length; i++) {
      low = Math.min(low, each.column[i]);
      high = Math.max(high, each.column[i]);
    }
    if (high - low > widest) [best, widest] = [each, high - low];
  }
  return best;
}
