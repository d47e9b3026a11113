// The row of markers in the score: flags with the letter of their kind.
import { s } from '../common/dom.js';
import { MARKER_KINDS } from '../shot/marker-kinds.js';
import { ROW, RULER } from './score-scale.js';

const LETTERS = Object.fromEntries(MARKER_KINDS.map(([kind, , letter]) => [kind, letter]));
const NAME_PX = 6.4;

/** What a marker is called where it stands: on a node, with the name of that. */
const markerName = (store, marker) =>
  marker.node ? `${store.byId.get(marker.node)?.name}: ${marker.name}` : marker.name;

export function markerRow(score) {
  const { store } = score;
  const parts = [
    s('rect', { class: 'marker-back', x: 0, y: RULER, width: score.scale.width, height: ROW, 'data-markers': '1' }),
    s('path', { class: 'row-line', d: `M0 ${RULER + ROW}H${score.scale.width}` }),
    s('text', { class: 'row', x: 12, y: RULER + 17, text: 'Markers', 'pointer-events': 'none' }),
  ];
  const shown = store.markers.filter((m) => score.scale.isIn(m.frame));
  if (!shown.length)
    parts.push(
      s('text', {
        class: 'hint',
        x: score.scale.left,
        y: RULER + 17,
        text: 'm marks the playhead, also while playing',
        'pointer-events': 'none',
      }),
    );
  shown.forEach((marker, i) => parts.push(flag(score, marker, shown[i + 1])));
  return parts;
}

function flag(score, marker, next) {
  const { store, desk } = score;
  const x = score.x(marker.frame);
  const room = (next ? score.x(next.frame) : score.scale.width) - x - 18;
  const name = markerName(store, marker);
  const letters = Math.floor(room / NAME_PX);
  const text = letters < 2 ? '' : name.length > letters ? `${name.slice(0, letters - 1)}…` : name;
  const label = `${marker.kind} at ${marker.frame}: ${name}`;
  return s(
    'g',
    {
      class: `marker ${marker.kind}${desk.marker === marker.id ? ' chosen' : ''}`,
      transform: `translate(${x.toFixed(1)} ${RULER + 4})`,
      'data-marker': marker.id,
      tabindex: 0,
      role: 'button',
      'aria-label': label,
    },
    s('title', { text: label }),
    s('path', { d: 'M0 0V18M0 0H12V11H0' }),
    s('text', { class: 'letter', x: 6, y: 9, 'text-anchor': 'middle', text: LETTERS[marker.kind] }),
    s('text', { x: 15, y: 11, text }),
  );
}
