// The ruler of the score: frames in the way the artist reads time, the range that is looped, the bar of the whole shot.
import { s } from '../common/dom.js';
import { framesPerSecond } from '../common/format.js';
import { tickText } from '../common/ruler.js';
import { timeText, timeWay } from '../common/time-text.js';
import { BAR, RULER } from './score-scale.js';

const ROOM_PX = { frames: 56, seconds: 68, timecode: 96 };

/** Frames from number to number, and from line to line. */
function steps(scale, rate) {
  const whole = [
    1,
    2,
    5,
    10,
    Math.round(rate / 2),
    rate,
    rate * 2,
    rate * 5,
    rate * 10,
    rate * 30,
    rate * 60,
    rate * 300,
  ];
  const big = whole.find((n) => n * scale.perFrame > ROOM_PX[timeWay()]) ?? rate * 600;
  const small = whole.find((n) => n * scale.perFrame > 4 && big % n === 0) ?? big;
  return [big, Math.min(small, big)];
}

/** The numbers, which the flag of the playhead may cover, and all that is drawn. */
export function rulerParts(score) {
  const { scale, store } = score;
  const rate = Math.round(framesPerSecond(store.header.rate));
  const [big, small] = steps(scale, rate);
  const [first] = scale.whole;
  const ticks = [];
  let lines = '';
  for (let n = Math.ceil((scale.from - first) / small); first + n * small <= scale.to; n++) {
    const frame = first + n * small;
    const x = scale.x(frame);
    if ((n * small) % big === 0) {
      lines += `M${x.toFixed(1)} ${BAR + 10}V${RULER}`;
      ticks.push(tickText(timeText(frame, store.header), x, BAR + 13));
    } else {
      lines += `M${x.toFixed(1)} ${RULER - 5}V${RULER}`;
    }
  }
  const parts = [
    s('rect', { class: 'ruler', x: 0, y: 0, width: scale.width, height: RULER, 'data-ruler': '1' }),
    ...rangeParts(score),
    ...ticks,
    s('path', { class: 'tick-line', d: lines, 'pointer-events': 'none' }),
    ...barParts(scale),
  ];
  return { ticks, parts };
}

/** The range that is looped. */
function rangeParts({ scale, desk }) {
  if (!desk.range) return [];
  const [from, to] = [scale.x(desk.range.from), scale.x(desk.range.to)];
  const text = `Looped: ${desk.range.from} to ${desk.range.to}`;
  const box = {
    class: 'range',
    x: from,
    y: RULER - 7,
    width: Math.max(2, to - from),
    height: 7,
    'pointer-events': 'none',
  };
  return [s('g', { 'clip-path': 'url(#score-time)' }, s('rect', box, s('title', { text })))];
}

/** The bar of the whole shot: what is in sight, to be slid, and stretched at its ends. */
function barParts(scale) {
  const [from, to] = [scale.barX(scale.from), scale.barX(scale.to)];
  const says = 'What of the shot is in sight: drag it to slide, its ends to zoom';
  const end = (x, side) => s('rect', { class: 'bar-end', x: x - 5, y: 0, width: 10, height: BAR, 'data-bar': side });
  return [
    s('rect', { class: 'bar-back', x: scale.left, y: 1, width: scale.room, height: BAR - 3, rx: 2 }),
    s(
      'rect',
      { class: 'bar', x: from, y: 1, width: Math.max(8, to - from), height: BAR - 3, rx: 2, 'data-bar': 'all' },
      s('title', { text: says }),
    ),
    end(from, 'from'),
    end(to, 'to'),
  ];
}
