// One row of the score: its name, its beads or its curve, the window of a part.
import { s } from '../common/dom.js';
import { trimmed } from '../common/format.js';
import { isWhole, keyFrames, keysOf } from '../shot/keys.js';
import { parameterOf, partOf, POSE } from '../shot/parts.js';
import { stretchesOf } from '../shot/program.js';
import { beadName, beadPath, isRing } from '../common/bead.js';
import { ROW } from './score-scale.js';
import { stampParts } from './score-stamps.js';

const NAME_LETTER_PX = 7;
const FOLD_LETTERS = 4; // as wide as the mark that unfolds a pose
const DENSE = 80; // keys in sight from which most of them are drawn as one
const IN_HAND = 12; // of those, the ones nearest to the playhead stay beads of their own
const AIR_FRAMES = 8;

const shorten = (name, letters) => (name.length > letters ? `${name.slice(0, letters - 1)}…` : name);

/** The keys of a row that are in sight. */
export function keysInSight(score, row) {
  const { scale } = score;
  const keys = keyFrames(row.node, row.paths);
  return scale.showsAll ? keys : keys.filter((key) => scale.isIn(key.frame, AIR_FRAMES));
}

export const isDense = (score, row) => row.paths.length > 0 && keysInSight(score, row).length > DENSE;

/** The keys of a dense row that stay beads of their own: the chosen ones, and some at the playhead. */
function inHand(desk, row, keys) {
  const far = (key) => Math.abs(key.frame - desk.frame);
  const near = [...keys].sort((a, b) => far(a) - far(b)).slice(0, IN_HAND);
  return keys.filter((key) => near.includes(key) || desk.chosen.hasAny(row.node.id, key.channels, key.frame));
}

export function rowParts(score, row, y) {
  const { scale, desk } = score;
  const chosen = desk.selection().includes(row.node.id);
  return [
    s('rect', {
      class: chosen ? 'row-back chosen' : 'row-back',
      x: 0,
      y,
      width: scale.width,
      height: ROW,
      'data-row': row.node.id,
      'data-what': row.what,
    }),
    s('path', { class: 'row-line', d: `M0 ${y + ROW}H${scale.width}` }),
    s('g', { 'clip-path': scale.showsAll ? undefined : 'url(#score-time)' }, ...contents(score, row, y)),
    s('rect', {
      class: chosen ? 'name-back chosen' : 'name-back',
      x: 0,
      y,
      width: scale.names,
      height: ROW,
      'data-row': row.node.id,
      'data-what': row.what,
    }),
    ...nameParts(row, y, scale.names),
  ];
}

/** Where the program shows a camera: a line below its keys. */
function seen(score, node, y) {
  if (node.kind !== 'camera') return [];
  const { store, desk } = score;
  const mine = stretchesOf(store.program, desk.first(), desk.last()).filter(({ camera }) => camera === node.id);
  if (!mine.length) return [];
  const d = mine.map(({ from, to }) => `M${score.x(from).toFixed(1)} ${y + ROW - 3}H${score.x(to + 1).toFixed(1)}`);
  return [s('path', { class: 'in-program', d: d.join('') })];
}

function contents(score, row, y) {
  if (row.stamps) return stampParts(score, row, y);
  if (row.part) return spanParts(score, row, y);
  const parts = lineOf(score, row, y);
  const keys = keysInSight(score, row);
  const keyed = row.paths.filter((path) => keysOf(row.node, path).length > 0);
  const own = isDense(score, row) ? inHand(score.desk, row, keys) : keys;
  if (own !== keys) {
    const others = new Set(own);
    parts.push(
      ...together(
        score,
        row,
        keyed,
        keys.filter((key) => !others.has(key)),
        y + ROW / 2,
      ),
    );
  }
  return [...parts, ...own.map((key) => bead(score, row, keyed, key, y + ROW / 2))];
}

/** What runs through the keys of a row. */
function lineOf(score, row, y) {
  if (row.what === 'pose') return [...seen(score, row.node, y), ...thread(score, row, y)];
  const { unit, family } = parameterOf(row.node, row.what);
  return family === 'switch' && unit === '' ? whileOn(score, row, y) : [curve(score, row, y)];
}

/** A bar over the frames at which something is on. */
function whileOn(score, row, y) {
  const { scale } = score;
  const keys = keysOf(row.node, row.what);
  const starts = [[-Infinity, keys[0]?.[1] ?? 1], ...keys];
  return starts.flatMap(([frame, value], i) => {
    const from = Math.max(scale.left, i ? scale.x(frame) : scale.left);
    const to = Math.min(scale.right, i + 1 < starts.length ? scale.x(starts[i + 1][0]) : scale.right);
    if (value < 0.5 || to <= from) return [];
    return [s('rect', { class: 'while-on', x: from, y: y + 8, width: to - from, height: ROW - 16 })];
  });
}

function thread(score, row, y) {
  if (!keyFrames(row.node, row.paths).length) return [];
  const d = `M${score.scale.names} ${y + ROW / 2}H${score.scale.right}`;
  return [s('path', { class: 'thread', d }), ...jumps(score, row, y)];
}

/** Cuts inside one node: two strokes across its thread. */
function jumps({ scale, store }, { node }, y) {
  return (store.motion.get(node.id)?.jumps ?? []).map((frame) => {
    const text = `${node.name} jumps at ${trimmed(frame, 1)}: nothing is smoothed, blurred or measured across`;
    const x = scale.x(frame);
    const d = `M${x - 5} ${y + ROW - 4}l4 -${ROW - 8}m1 ${ROW - 8}l4 -${ROW - 8}`;
    return s('path', { class: 'jump', d, 'data-jump': `${node.id} ${frame}` }, s('title', { text }));
  });
}

function nameParts(row, y, names) {
  const x = row.inner ? 34 : 24;
  const letters = Math.floor((names - x) / NAME_LETTER_PX) - (row.folds?.poses ? FOLD_LETTERS : 0);
  const attributes = { class: row.inner ? 'row inner' : 'row', x, y: y + ROW / 2 + 4, 'pointer-events': 'none' };
  const name = s('text', { ...attributes, text: shorten(row.name, letters) }, s('title', { text: row.name }));
  return row.folds ? [...foldParts(row, y, names), name] : [name];
}

/** The triangle that folds what is below a node, and the mark that unfolds its pose. */
function foldParts({ node, folds }, y, names) {
  const parts = [];
  const press = { tabindex: -1, role: 'button', 'pointer-events': 'all' };
  if (folds.inside || folds.poses) {
    const label = `${folds.open ? 'Fold' : 'Unfold'} the rows of ${node.name}`;
    const d = folds.open ? `M9 ${y + 10}h9l-4.5 6z` : `M11 ${y + 8.5}v9l6 -4.5z`;
    parts.push(
      s('path', { class: 'fold', d, 'data-fold': node.id, 'aria-label': label, ...press }, s('title', { text: label })),
    );
  }
  if (folds.poses) {
    const label = `${folds.pose ? 'Hide' : 'Show'} a row for each of x … roll of ${node.name}`;
    const text = s('text', {
      class: folds.pose ? 'pose-fold open' : 'pose-fold',
      x: names - 4,
      y: y + 17,
      'text-anchor': 'end',
      text: 'x y z',
    });
    parts.push(s('g', { 'data-pose': node.id, 'aria-label': label, ...press }, s('title', { text: label }), text));
  }
  return parts;
}

/** Many beads as one path; they are taken by where they are. */
function together(score, row, keyed, keys, y) {
  let d = '';
  let rings = '';
  for (const key of keys) {
    const whole = isWhole(row.node, key.channels, keyed);
    const shape = `M${score.scale.x(key.frame).toFixed(1)} ${y}${beadPath(key.tangents, whole)}`;
    if (isRing(key.tangents)) rings += shape;
    else d += shape;
  }
  return [
    s('path', { class: 'beads', d, 'pointer-events': 'none' }),
    s('path', { class: 'beads ring', d: rings, 'pointer-events': 'none' }),
  ];
}

/** @param keyed the paths of the row that have keys at all: a key that misses one of them is half a bead */
function bead(score, row, keyed, key, y) {
  const { node, paths } = row;
  const picked = score.desk.chosen.hasAny(node.id, key.channels, key.frame);
  const whole = isWhole(node, key.channels, keyed);
  const what = paths === POSE && isWhole(node, key.channels, POSE) ? 'whole pose' : key.channels.join(', ');
  const ring = isRing(key.tangents) ? ' ring' : '';
  return s('path', {
    class: `bead${whole ? '' : ' half'}${ring}${picked ? ' chosen' : ''}`,
    d: `M0 0${beadPath(key.tangents, whole)}`,
    tabindex: 0,
    role: 'button',
    'aria-label': `${node.name}, key at ${key.frame}: ${what}, ${[...key.tangents].join(' and ')}`,
    'aria-pressed': String(picked),
    transform: `translate(${score.scale.x(key.frame).toFixed(1)} ${y})`,
    'data-bead': beadName(row, key.frame),
    'data-frame': key.frame,
  });
}

/** A parameter is drawn as its curve, so that a pull can be seen; no finer than the screen. */
function curve(score, row, y) {
  const { scale, store } = score;
  const column = store.motion.get(row.node.id)?.own[row.what];
  if (!column || column.length === 1) return s('path', { class: 'line', d: '' });
  let [low, high] = [Infinity, -Infinity];
  for (const v of column) {
    low = Math.min(low, v);
    high = Math.max(high, v);
  }
  const step = Math.max(1, scale.span / scale.room);
  const at = (v) => (y + ROW - 5 - ((v - low) / (high - low || 1)) * (ROW - 10)).toFixed(1);
  let d = '';
  for (let f = scale.from; f <= scale.to + 1e-6; f += step) {
    d += `${d ? 'L' : 'M'}${scale.x(f).toFixed(1)} ${at(store.value(f, column))}`;
  }
  d += `L${scale.x(scale.to).toFixed(1)} ${at(store.value(scale.to, column))}`;
  return s('path', { class: 'line', d });
}

/**
 * Over how many frames a part comes to its full effect, and leaves it: fades, or the eases of a move.
 *
 * @param {import('../shot/types.js').Part} of
 */
function slopes(of) {
  const { from = 0, to = 0, fadeIn = 0, fadeOut = 0 } = of.window ?? {};
  if (of.part !== 'move') return [fadeIn, fadeOut];
  const { easeIn = 0, easeOut = 0 } = of;
  const cut = Math.min(1, (to - from) / Math.max(1, easeIn + easeOut));
  return [easeIn * cut, easeOut * cut];
}

/** The window of a part as a span; its ends can be taken, and open ones are drawn so. */
function spanParts({ scale }, row, y) {
  const part = partOf(row.node, row.part);
  const { from, to } = part.window ?? {};
  const [slopeIn, slopeOut] = slopes(part);
  const left = from === undefined ? scale.left : scale.x(from);
  const right = to === undefined ? scale.right : scale.x(to);
  const [top, bottom] = [y + 6, y + ROW - 6];
  const [inAt, outAt] = [left + slopeIn * scale.perFrame, right - slopeOut * scale.perFrame];
  const d = `M${left} ${bottom}L${inAt} ${top}H${outAt}L${right} ${bottom}Z`;
  const name = `${row.node.id} ${row.part}`;
  const says = `${row.name} of ${row.node.name}: ${from ?? 'open'} to ${to ?? 'open'}`;
  const look = `span ${part.part}${part.on === false ? ' off' : ''}`;
  const end = (side, x, open) =>
    s('rect', {
      class: open ? 'span-end open' : 'span-end',
      x: x - 4,
      y: top - 2,
      width: 8,
      height: bottom - top + 4,
      'data-span': `${name} ${side}`,
    });
  return [
    s(
      'g',
      { class: look },
      s('path', { class: 'span-body', d, 'data-span': `${name} all` }, s('title', { text: says })),
      end('from', left, from === undefined),
      end('to', right, to === undefined),
    ),
  ];
}
