// The row of the program in the score: which camera is seen from which frame on, with its cuts to be dragged.
import { s } from '../common/dom.js';
import { stretchesOf } from '../shot/program.js';
import { ROW, RULER } from './score-scale.js';

const TOP = RULER + ROW; // below the markers
const AIR_PX = 4;
const NAME_PX = 6.6;

/** Whether there is something to cut between, or a program. */
export const hasProgramRow = (store) => store.program.length > 0 || store.cameras().length > 1;

export function programRow(score) {
  const { store, desk, scale } = score;
  const parts = [
    s('rect', { class: 'marker-back', x: 0, y: TOP, width: scale.width, height: ROW, 'data-program': '1' }),
    s('path', { class: 'row-line', d: `M0 ${TOP + ROW}H${scale.width}` }),
    s('text', { class: 'row', x: 12, y: TOP + 17, text: 'Program', 'pointer-events': 'none' }),
    cutButton(scale.names),
  ];
  if (!store.program.length) {
    const text = 'Cut: which camera is seen from the playhead on';
    parts.push(s('text', { class: 'hint', x: scale.left, y: TOP + 17, text, 'pointer-events': 'none' }));
    return parts;
  }
  const stretches = stretchesOf(store.program, desk.first(), desk.last());
  return [
    ...parts,
    s('g', { 'clip-path': 'url(#score-time)' }, ...stretches.flatMap((one, i) => stretch(score, one, i))),
    ...stretches.filter(({ frame, from }) => frame === from && scale.isIn(frame)).map((one) => cut(score, one)),
  ];
}

function cutButton(names) {
  return s(
    'g',
    { class: 'cut-here', 'data-cut-here': '1', tabindex: 0, role: 'button', 'aria-label': 'Cut at the playhead' },
    s('title', { text: 'Cut at the playhead (Shift+1 … 9: to camera n)' }),
    s('rect', { x: names - 44, y: TOP + AIR_PX, width: 36, height: ROW - 2 * AIR_PX, rx: 4 }),
    s('text', { x: names - 26, y: TOP + 17, 'text-anchor': 'middle', text: 'Cut' }),
  );
}

function stretch(score, { camera, from, to, dissolve }, i) {
  const { store, desk } = score;
  const [x, end] = [score.x(from), score.x(to + 1)];
  const name = store.byId.get(camera)?.name ?? camera;
  const letters = Math.floor((end - x - 14) / NAME_PX);
  const fade = score.x(from + dissolve) - x;
  return [
    s('rect', {
      class: `stretch ${i % 2 ? 'odd' : 'even'}${camera === desk.camera ? ' shown' : ''}`,
      x: x.toFixed(1),
      y: TOP + AIR_PX,
      width: Math.max(1, end - x).toFixed(1),
      height: ROW - 2 * AIR_PX,
      'pointer-events': 'none',
    }),
    dissolve > 0 &&
      s('path', {
        class: 'fade',
        d: `M${x.toFixed(1)} ${TOP + ROW - AIR_PX}L${(x + fade).toFixed(1)} ${TOP + AIR_PX}V${TOP + ROW - AIR_PX}Z`,
        'pointer-events': 'none',
      }),
    s('text', {
      x: (x + 7).toFixed(1),
      y: TOP + 17,
      text: letters < 2 ? '' : name.slice(0, letters),
      'pointer-events': 'none',
    }),
  ];
}

/** A cut, to be dragged; a click opens what can be done to it. */
function cut(score, { frame, camera, dissolve }) {
  const x = score.x(frame);
  const name = score.store.byId.get(camera)?.name;
  const label = `${dissolve ? `Dissolve of ${dissolve} f` : 'Cut'} to ${name} at ${frame}`;
  return s(
    'g',
    { class: 'cut', 'data-cut': frame, tabindex: 0, role: 'button', 'aria-label': label },
    s('title', { text: `${label}: drag to slide it (Shift: with all later ones), click for more` }),
    s('rect', { x: (x - 5).toFixed(1), y: TOP, width: 10, height: ROW }),
    s('path', { d: `M${x.toFixed(1)} ${TOP + 2}V${TOP + ROW - 2}` }),
  );
}
