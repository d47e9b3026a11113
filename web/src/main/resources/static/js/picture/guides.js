// The guides and the mask over the picture, in the pixels of its place on the page.
import { s } from '../common/dom.js';
import { fixed } from '../common/format.js';

const GOLDEN = (Math.sqrt(5) - 1) / 2;
const ACTION = 0.93;
const TITLE = 0.9;
const CROSS = 0.03; // of the width
const LEVEL = 0.18; // half of its length, of the width
const LEAST_LEAN = 0.05; // degrees
const STEEP = 0.02; // below this nothing in the picture is level

/** Lines across and down at parts of the picture. */
const lines = (w, h, xs, ys) => [...xs.map((x) => `M${x * w} 0V${h}`), ...ys.map((y) => `M0 ${y * h}H${w}`)].join('');

/** A box in the middle, so much of the picture in both ways. */
function box(w, h, [across, down]) {
  const [x, y] = [((1 - across) / 2) * w, ((1 - down) / 2) * h];
  return `M${x} ${y}H${w - x}V${h - y}H${x}Z`;
}

const parts = (count) => Array.from({ length: count - 1 }, (_, i) => (i + 1) / count);

/** What each guide draws. @type {Record<string, (w: number, h: number, picture: any) => string>} */
const DRAWN = {
  thirds: (w, h) => lines(w, h, parts(3), parts(3)),
  centre: (w, h) => `M${w / 2 - CROSS * w} ${h / 2}h${2 * CROSS * w}M${w / 2} ${h / 2 - CROSS * w}v${2 * CROSS * w}`,
  diagonals: (w, h) => `M0 0L${w} ${h}M0 ${h}L${w} 0`,
  golden: (w, h) => lines(w, h, [1 - GOLDEN, GOLDEN], [1 - GOLDEN, GOLDEN]),
  'action-safe': (w, h) => box(w, h, [ACTION, ACTION]),
  'title-safe': (w, h) => box(w, h, [TITLE, TITLE]),
  grid: (w, h, { grid }) => lines(w, h, parts(grid[0]), parts(grid[1])),
};

/** The part of the picture across and down that another aspect leaves. @returns {[number, number]} */
export const leftBy = (aspect, mask) => (mask < aspect ? [mask / aspect, 1] : [1, aspect / mask]);

/**
 * How far the picture leans: the angle in degrees, clockwise as it is seen, from its own right to what is level; null
 * where it looks straight up or down.
 *
 * @param {import('../shot/types.js').Pose} pose
 */
export function leanOf({ qx, qy, qz, qw }) {
  const right = 2 * (qx * qy + qw * qz); // how high the camera's right and its up lie in the world
  const up = 1 - 2 * (qx * qx + qz * qz);
  return Math.hypot(right, up) < STEEP ? null : (Math.atan2(right, up) * 180) / Math.PI;
}

function level(w, h, lean) {
  if (lean === null) return [];
  const transform = `translate(${w / 2} ${h / 2}) rotate(${lean})`;
  const long = LEVEL * w;
  const way = Math.abs(lean) < LEAST_LEAN ? 'level' : `leans ${lean > 0 ? 'right' : 'left'}`;
  const text = `${fixed(Math.abs(lean), 1)}° ${way}`;
  return [
    s('path', { class: 'level', d: `M${-long} 0H${long}M0 ${-long / 2}V${long / 2}`, transform }),
    s('text', { x: w / 2 + long + 8, y: h / 2 + 4, text }),
  ];
}

/** What another aspect would take away. */
function masked(w, h, aspect, { aspect: mask, opacity }) {
  const [across, down] = leftBy(aspect, mask);
  const d = `M0 0H${w}V${h}H0Z${box(w, h, [across, down])}`;
  return [s('path', { class: 'mask', d, 'fill-rule': 'evenodd', 'fill-opacity': opacity })];
}

/**
 * @param {import('../shot/picture-frame.js').PictureFrame} picture
 * @param {{w: number, h: number, aspect: number, lean: number | null}} at
 */
export function guideParts(picture, { w, h, aspect, lean }) {
  const all = picture.guides
    .filter((name) => DRAWN[name])
    .map((name) => s('path', { class: name, d: DRAWN[name](w, h, picture) }));
  return [
    ...(picture.mask ? masked(w, h, aspect, picture.mask) : []),
    ...all,
    ...(picture.guides.includes('level') ? level(w, h, lean) : []),
  ];
}
