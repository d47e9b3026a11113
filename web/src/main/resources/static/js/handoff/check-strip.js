// Whether both sides agree: a sentence, and how far off test points are on every frame.
import { h, s } from '../common/dom.js';

const WIDTH = 760;
const HEIGHT = 112;
const LEFT = 62;
const RIGHT = 12;
const TOP = 16;
const BOTTOM = 20;
const LIMIT_PX = 0.05;
const FULL_WIDTH = 1920;

const most = (values) => values.reduce((a, b) => Math.max(a, b), 0);
const small = (value, digits) => (value < 10 ** -digits ? `< ${10 ** -digits}` : value.toFixed(digits));

/** Where frames and pixels lie in a strip. */
class Scale {
  constructor(count, top) {
    this.count = count;
    this.top = top;
  }

  x(i) {
    return LEFT + ((WIDTH - LEFT - RIGHT) * i) / Math.max(1, this.count - 1);
  }

  y(px) {
    return HEIGHT - BOTTOM - ((HEIGHT - TOP - BOTTOM) * Math.min(px, this.top)) / this.top;
  }

  line(values) {
    return values.map((v, i) => `${i ? 'L' : 'M'}${this.x(i).toFixed(1)} ${this.y(v).toFixed(1)}`).join('');
  }
}

function worstMark(scale, camera, firstFrame) {
  const value = most(camera.mostPx);
  const i = camera.mostPx.indexOf(value);
  const words = `largest ${small(value, 4)} px, frame ${firstFrame + i}`;
  const end = i > scale.count / 2;
  const at = { x: scale.x(i), y: scale.y(value) };
  return [
    s('circle', { class: 'worst', cx: at.x, cy: at.y, r: 3.5 }),
    s(
      'text',
      {
        class: 'worst-text',
        x: at.x + (end ? -8 : 8),
        y: Math.max(12, at.y - 5),
        'text-anchor': end ? 'end' : 'start',
      },
      words,
    ),
  ];
}

/** A strip of pixels alone. */
export const stripOf = (name, mostPx, firstFrame) =>
  strip({ name, mostPx, meanPx: mostPx }, { widthPx: FULL_WIDTH, firstFrame });

function strip(camera, report) {
  const limit = (LIMIT_PX * report.widthPx) / FULL_WIDTH;
  const scale = new Scale(camera.mostPx.length, Math.max(1.25 * limit, 1.15 * most(camera.mostPx)));
  const last = report.firstFrame + scale.count - 1;
  const floor = HEIGHT - BOTTOM;
  const area = `${scale.line(camera.meanPx)}L${scale.x(scale.count - 1)} ${floor}L${LEFT} ${floor}Z`;
  const label = `${camera.name}: distance of test points in pixels, frame ${report.firstFrame} to ${last}`;
  return s(
    'svg',
    {
      class: 'check-strip',
      viewBox: `0 0 ${WIDTH} ${HEIGHT}`,
      role: 'img',
      'aria-label': label,
    },
    s('path', { class: 'mean', d: area }),
    s('line', { class: 'limit', x1: LEFT, x2: WIDTH - RIGHT, y1: scale.y(limit), y2: scale.y(limit) }),
    s('text', { x: LEFT - 6, y: scale.y(limit) + 4, 'text-anchor': 'end' }, `${+limit.toFixed(3)} px`),
    s('text', { x: LEFT - 6, y: floor + 4, 'text-anchor': 'end' }, '0 px'),
    s('path', { class: 'most', d: scale.line(camera.mostPx) }),
    ...worstMark(scale, camera, report.firstFrame),
    s('text', { x: LEFT, y: HEIGHT - 5 }, String(report.firstFrame)),
    s('text', { x: WIDTH - RIGHT, y: HEIGHT - 5, 'text-anchor': 'end' }, String(last)),
  );
}

function numbers(camera) {
  const cell = (name, text) => [h('th', { scope: 'row', text: name }), h('td', { class: 'number', text })];
  return h(
    'table',
    {},
    h(
      'tr',
      {},
      ...cell('Picture', `${small(most(camera.mostPx), 4)} px`),
      ...cell('Place', `${small(most(camera.placeMm), 4)} mm`),
      ...cell('Turn', `${small(most(camera.turnMin), 4)} min of arc`),
    ),
    h(
      'tr',
      {},
      ...cell('Mean', `${small(most(camera.meanPx), 4)} px`),
      ...cell('View', `${small(most(camera.viewDeg), 5)}°`),
      ...cell('Between frames', `${small(camera.betweenPx, 3)} px`),
    ),
  );
}

/** What came of a check of one file. */
export function checkOf(label, report) {
  const kind = report.good ? (report.proven ? 'good' : 'unproven') : 'bad';
  const size = `${Math.ceil(report.octets / 1024).toLocaleString('en-GB')} KB`;
  const verdict = h(
    'p',
    { class: `verdict ${kind}` },
    h('b', { text: `${label}: ${report.fileName}, ${size}` }),
    report.sentence,
  );
  const cameras = report.cameras.flatMap((camera) => [
    h('h3', { text: camera.name }),
    strip(camera, report),
    numbers(camera),
  ]);
  const reasons = [...report.reasons, ...report.notes].map((text) => h('li', { text }));
  return h('section', { class: 'check' }, verdict, ...cameras, reasons.length ? h('ul', {}, ...reasons) : null);
}
