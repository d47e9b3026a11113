// Single frames that a part holds, as flags in a row of their own: hand-overs, timing pins.
import { s } from '../common/dom.js';
import { carrierOf, partOf, stampsOf } from '../shot/parts.js';
import { trimmed } from '../common/format.js';
import { boundsOf } from '../shot/rails.js';
import { pullParts } from './score-pulls.js';
import { ROW } from './score-scale.js';

const LETTER_PX = 6.6;
const FLAG_PX = 12;
const AIR_PX = 5;

const nameIn = (store, id) => store.byId.get(id)?.name ?? 'the world';

const fitted = (text, px) => {
  const letters = Math.floor(px / LETTER_PX);
  if (letters < 3) return '';
  return text.length > letters ? `${text.slice(0, letters - 1)}…` : text;
};

/** The flags of a row, and between them who carries the node. */
export function stampParts(score, row, y) {
  const { scale, store } = score;
  const part = partOf(row.node, row.part);
  const stamps = stampsOf(part);
  if (part.part === 'ride') return stamps.map((stamp, i) => flag(score, row, stamp, y, pinSays(score, row, part, i)));
  if (part.part === 'lens') return pullParts(score, row, part.pulls, y);
  if (part.part === 'shake')
    return stamps.map((stamp) => flag(score, row, stamp, y, `${row.name} is struck at ${stamp.frame}`));
  const stretches = [{ frame: -Infinity, node: carrierOf(row.node) }, ...stamps];
  const names = stretches.flatMap(({ frame, node }, i) => {
    const from = Math.max(scale.left, i ? scale.x(frame) + FLAG_PX : scale.left) + AIR_PX;
    const to = Math.min(scale.right, i + 1 < stretches.length ? scale.x(stretches[i + 1].frame) : scale.right);
    const text = fitted(nameIn(store, node), to - from - AIR_PX);
    return text ? [s('text', { class: 'stretch', x: from, y: y + ROW / 2 + 4, text })] : [];
  });
  return [...names, ...stamps.map((stamp) => flag(score, row, stamp, y, handOverSays(score, row, stamp)))];
}

function handOverSays({ store }, row, { frame, node, joined }) {
  const jump = joined ? '' : ', with a jump';
  return `${row.node.name} is handed over to ${nameIn(store, node)} at ${frame}${jump}`;
}

function pinSays({ store }, row, ride, i) {
  const metres = trimmed(boundsOf(store, row.node.id, ride)[i + 1], 2);
  return `${row.node.name} is pinned to ${metres} m of ${nameIn(store, ride.rail)} at ${ride.pins[i].frame}`;
}

function flag({ scale }, row, { id, frame, joined }, y, label) {
  const name = `${row.node.id} ${row.part} ${id}`;
  return s(
    'g',
    {
      class: `stamp ${partOf(row.node, row.part).part}${joined ? '' : ' jumps'}`,
      transform: `translate(${scale.x(frame).toFixed(1)} ${y})`,
      tabindex: 0,
      role: 'button',
      'aria-label': label,
      'data-stamp': name,
      'data-frame': frame,
    },
    s('title', { text: `${label}: drag it, Backspace takes it away` }),
    s('rect', { class: 'stamp-reach', x: -5, y: 0, width: FLAG_PX + 7, height: ROW }),
    s('path', { class: 'pole', d: `M0 ${ROW - 3}V4` }),
    s('path', { class: 'cloth', d: `M0 4H${FLAG_PX - 2}L${FLAG_PX - 5} 8.5L${FLAG_PX - 2} 13H0Z` }),
  );
}
