// Where the axes of a receiver point, as a small drawing beside a camera that looks away.
import { s } from '../common/dom.js';

const LONG = 30;
const MIDDLE = { x: 46, y: 52 };
const LETTERS = ['x', 'y', 'z'];

/** Our x to the right, y up, z towards the viewer and to the lower left. */
const onPaper = ([x, y, z]) => ({ x: x - 0.62 * z, y: -y + 0.48 * z });

function arrow(letter, column) {
  const to = onPaper(column);
  const size = Math.hypot(to.x, to.y);
  const along = { x: to.x / size, y: to.y / size };
  const tip = { x: MIDDLE.x + to.x * LONG, y: MIDDLE.y + to.y * LONG };
  const side = { x: -along.y * 3.4, y: along.x * 3.4 };
  const back = { x: tip.x - along.x * 8, y: tip.y - along.y * 8 };
  const points = `${tip.x},${tip.y} ${back.x + side.x},${back.y + side.y} ${back.x - side.x},${back.y - side.y}`;
  return [
    s('path', { class: 'axes-arrow', d: `M${MIDDLE.x} ${MIDDLE.y}L${back.x} ${back.y}` }),
    s('polygon', { class: 'axes-head', points }),
    s('text', { class: 'axes-letter', x: tip.x + along.x * 9 - 3.5, y: tip.y + along.y * 9 + 4 }, letter),
  ];
}

/** @param {{label: string, columns: number[][], rightHanded: boolean}} axes */
export function axesDrawing(axes) {
  const hand = axes.rightHanded ? 'right-handed' : 'left-handed';
  const camera = s('path', { class: 'axes-camera', d: 'M60 74h16v11h-16zM76 77l8-3v11l-8-3z' });
  const title = s('title', {}, `${axes.label}, ${hand}`);
  return s(
    'svg',
    { viewBox: '0 0 104 92', role: 'img' },
    title,
    camera,
    ...LETTERS.flatMap((l, i) => arrow(l, axes.columns[i])),
  );
}

const UNITS = new Map([
  [1, 'metres'],
  [0.01, 'centimetres'],
  [0.001, 'millimetres'],
  [0.0254, 'inches'],
  [0.3048, 'feet'],
]);

/** A unit in words. */
export const unitWords = (metres) => UNITS.get(metres) ?? `units of ${metres} m`;

/** A profile in a sentence. */
export function profileWords(profile, axes, choices) {
  const order = choices.orders.find((o) => o.id === profile.order)?.label;
  const lens = choices.lens.find((l) => l.id === profile.lens)?.label.toLowerCase();
  const unit =
    profile.axes === 'picture'
      ? `${Math.round(1 / profile.metresPerUnit)} pixels a metre`
      : unitWords(profile.metresPerUnit);
  const rate = profile.rate ? `${profile.rate} frames a second` : "the shot's rate";
  const first = profile.firstFrame === undefined ? 'its frame numbers' : `first frame ${profile.firstFrame}`;
  const keys = profile.few ? `few keys within ${profile.placeMm} mm and ${profile.turnDeg}°` : 'a key on every frame';
  return `${axes.label}, ${unit}; turns as ${order}; ${lens}; ${rate}, ${first}; ${keys}.`;
}
