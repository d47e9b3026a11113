// What is inside a file, before anything of it is kept.
import { h, s } from '../common/dom.js';
import { unitWords } from './axes-drawing.js';

const PERSON_M = 1.72;
const WIDTH = 620;
const HEIGHT = 190;
const GROUND = 168;
const ROOM = 140;

const metres = (value) => (Math.abs(value) >= 100 ? value.toFixed(0) : value.toPrecision(3));
const many = (n, one, more = `${one}s`) => `${n.toLocaleString('en-GB')} ${n === 1 ? one : more}`;

/** A person as tall as the drawing's scale has them. */
function person(x, scale) {
  const tall = Math.max(1.5, PERSON_M * scale);
  const head = tall * 0.075;
  return s(
    'g',
    { class: 'person' },
    s('circle', { cx: x, cy: GROUND - tall + head, r: head }),
    s('rect', {
      x: x - head * 1.4,
      y: GROUND - tall + head * 2.3,
      width: head * 2.8,
      height: tall - head * 2.3,
      rx: head,
    }),
  );
}

/** The file's box from the front, beside a person of 1.72 m. */
function sizes(found) {
  const wide = Math.max(0.001, found.high[0] - found.low[0]);
  const tall = Math.max(0.001, found.high[1] - Math.min(0, found.low[1]));
  const scale = Math.min(ROOM / Math.max(tall, PERSON_M), (WIDTH - 200) / wide);
  const top = GROUND - Math.max(0, found.high[1]) * scale;
  const bottom = GROUND - Math.min(found.low[1], found.high[1]) * scale;
  const lens = GROUND - found.cameraHeightM * scale;
  const box = s('rect', {
    class: 'box',
    x: 130,
    y: top,
    width: wide * scale,
    height: Math.max(1, Math.min(HEIGHT, bottom) - top),
  });
  const words = `${metres(wide)} m wide, ${metres(found.high[1] - found.low[1])} m high`;
  const parts = [
    s('line', { class: 'ground', x1: 0, x2: WIDTH, y1: GROUND, y2: GROUND }),
    box,
    person(64, scale),
    s('text', { x: 24, y: GROUND + 16 }, '1.72 m'),
    s('text', { x: 130, y: GROUND + 16 }, words),
  ];
  if (found.cameras.length) {
    parts.push(s('line', { class: 'lens-at', x1: 100, x2: WIDTH, y1: lens, y2: lens }));
    parts.push(
      s('text', { x: WIDTH - 8, y: lens - 4, 'text-anchor': 'end' }, `camera at ${metres(found.cameraHeightM)} m`),
    );
  }
  return s(
    'svg',
    { viewBox: `0 0 ${WIDTH} ${HEIGHT}`, role: 'img', 'aria-label': `Beside a person of 1.72 m: ${words}` },
    ...parts,
  );
}

const pair = (name, text) => [h('dt', { text: name }), h('dd', { text })];

function contents(found) {
  const parts = [
    found.cameras.length ? many(found.cameras.length, 'camera') : '',
    found.nulls ? many(found.nulls, 'null') : '',
    found.pieces ? `${many(found.pieces, 'piece')} of ${many(found.triangles, 'triangle')}` : '',
    found.suns ? many(found.suns, 'sun') : '',
    many(found.keys, 'key'),
  ];
  return parts.filter(Boolean).join(', ');
}

function fitted(list) {
  const head = ['Camera', 'Keys as they came', 'Keys then', 'Place off', 'Turn off', 'Focal length off'];
  const rows = list.map((f) =>
    h(
      'tr',
      {},
      h('td', { text: f.name }),
      ...[
        String(f.keysBefore),
        String(f.keysAfter),
        `${f.placeMm.toFixed(3)} mm`,
        `${f.turnDeg.toFixed(4)}°`,
        `${f.focalMm.toFixed(4)} mm`,
      ].map((text) => h('td', { class: 'number', text })),
    ),
  );
  return [
    h('h3', { text: 'Before and after' }),
    h('table', {}, h('tr', {}, ...head.map((text) => h('th', { scope: 'col', text }))), ...rows),
  ];
}

/** @param {Record<string, any>} found */
export function foundIn(found) {
  const frames = found.lastFrame - found.firstFrame + 1;
  const notes = found.notes.map((text) => h('li', { text }));
  return h(
    'div',
    { class: 'found' },
    h(
      'dl',
      {},
      ...pair('File', `${found.fileName}, ${found.format}`),
      ...pair('Inside', contents(found)),
      ...pair('Cameras', found.cameras.join(', ') || 'none'),
      ...pair('Axes, unit', `${found.axesLabel}, ${unitWords(found.metresPerUnit)}`),
      ...pair('Frames', `${found.firstFrame} to ${found.lastFrame}, ${many(frames, 'frame')} at ${found.rateLabel}`),
    ),
    sizes(found),
    ...(found.fitted?.length ? fitted(found.fitted) : []),
    h('h3', { text: notes.length ? 'Left out or changed' : 'Nothing is left out' }),
    notes.length ? h('ul', {}, ...notes) : null,
  );
}
