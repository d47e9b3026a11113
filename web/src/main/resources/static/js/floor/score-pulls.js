// The focus pulls of a camera in the score: a slope for each, and between them the mark that focus is on.
import { s } from '../common/dom.js';
import { trimmed } from '../common/format.js';
import { lengthText } from '../common/units.js';
import { markOf } from '../shot/focus.js';
import { ROW } from './score-scale.js';

const LETTER_PX = 6.6;
const AIR_PX = 6;
const LEAST_PX = 6;
const WAVE_PX = 20;

/** @param {import('../shot/focus.js').Pulls} pulls */
export function pullParts(score, row, pulls, y) {
  const { scale } = score;
  const stretches = [{ mark: pulls.marks[0], from: scale.left }, ...pulls.by.map((pull) => rest(scale, pulls, pull))];
  const names = stretches.flatMap(({ mark, from }, i) => {
    const to = i < pulls.by.length ? scale.x(pulls.by[i].frame) : scale.right;
    return nameOf(mark, Math.max(scale.left, from) + AIR_PX, Math.min(scale.right, to), y);
  });
  return [...names, ...pulls.by.map((pull) => slope(score, row, pulls, pull, y))];
}

const rest = (scale, pulls, pull) => ({
  mark: markOf(pulls, pull),
  from: scale.x(pull.frame + pull.frames) + (pull.hunt?.reach ? WAVE_PX : 0),
});

/** @param {import('../shot/focus.js').FocusMark} mark */
function nameOf({ name, metres }, from, to, y) {
  const full = metres === undefined ? name : `${name} · ${lengthText(metres)}`;
  const fits = (text) => text.length * LETTER_PX < to - from;
  const text = [full, name, `${name.slice(0, Math.max(0, Math.floor((to - from) / LETTER_PX) - 1))}…`].find(fits);
  return text && text.length > 2 ? [s('text', { class: 'focus-mark', x: from, y: y + ROW / 2 + 4, text })] : [];
}

/** A pull, to be moved; its ends make it shorter or longer. */
function slope({ scale }, row, pulls, pull, y) {
  const { id, frame, frames, hunt } = pull;
  const [left, right] = [scale.x(frame), Math.max(scale.x(frame) + LEAST_PX, scale.x(frame + frames))];
  const [top, bottom] = [y + 6, y + ROW - 6];
  const name = `${row.node.id} ${row.part} ${id}`;
  const hunts = hunt?.reach ? ', then hunts' : '';
  const label = `Pull to ${markOf(pulls, pull).name} from ${trimmed(frame, 1)} over ${trimmed(frames, 1)} f${hunts}`;
  const end = (side, x) =>
    s('rect', {
      class: 'span-end',
      x: x - 3,
      y: top - 2,
      width: 6,
      height: bottom - top + 4,
      'data-pull': `${name} ${side}`,
    });
  return s(
    'g',
    {
      class: 'stamp pull',
      tabindex: 0,
      role: 'button',
      'aria-label': label,
      'data-stamp': name,
      'data-frame': frame,
    },
    s('title', { text: `${label}: drag it, its ends make it shorter or longer, Backspace takes it away` }),
    s('path', { class: 'slope', d: `M${left} ${bottom}L${right} ${top}V${bottom}Z` }),
    s('rect', { class: 'stamp-reach', x: left, y: top, width: right - left, height: bottom - top }),
    ...(hunt?.reach ? [s('path', { class: 'hunt', d: wave(right, (top + bottom) / 2) })] : []),
    end('from', left),
    end('to', right),
  );
}

/** A swing that dies out. */
const wave = (x, y) => `M${x + 5} ${y}q2 -7 4 0t4 0q1.5 -4 3 0t3 0`;
