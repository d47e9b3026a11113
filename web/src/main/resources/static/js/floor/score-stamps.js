// Single frames that a part holds, as flags in a row of their own: hand-overs from one carrier to another.
import { s } from '../common/dom.js';
import { carrierOf, partOf, stampsOf } from '../shot/parts.js';
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
  const stamps = stampsOf(partOf(row.node, row.part));
  const stretches = [{ frame: -Infinity, node: carrierOf(row.node) }, ...stamps];
  const names = stretches.flatMap(({ frame, node }, i) => {
    const from = Math.max(scale.left, i ? scale.x(frame) + FLAG_PX : scale.left) + AIR_PX;
    const to = Math.min(scale.right, i + 1 < stretches.length ? scale.x(stretches[i + 1].frame) : scale.right);
    const text = fitted(nameIn(store, node), to - from - AIR_PX);
    return text ? [s('text', { class: 'stretch', x: from, y: y + ROW / 2 + 4, text })] : [];
  });
  return [...names, ...stamps.map((stamp) => flag(score, row, stamp, y))];
}

function flag({ scale, store }, row, { id, frame, node, joined }, y) {
  const name = `${row.node.id} ${row.part} ${id}`;
  const jump = joined ? '' : ', with a jump';
  const label = `${row.node.name} is handed over to ${nameIn(store, node)} at ${frame}${jump}`;
  return s(
    'g',
    {
      class: `stamp${joined ? '' : ' jumps'}`,
      transform: `translate(${scale.x(frame).toFixed(1)} ${y})`,
      tabindex: 0,
      role: 'button',
      'aria-label': label,
      'data-stamp': name,
      'data-frame': frame,
    },
    s('title', { text: `${label}: drag it, Backspace takes it away` }),
    s('path', { class: 'pole', d: `M0 ${ROW - 3}V4` }),
    s('path', { class: 'cloth', d: `M0 4H${FLAG_PX - 2}L${FLAG_PX - 5} 8.5L${FLAG_PX - 2} 13H0Z` }),
  );
}
