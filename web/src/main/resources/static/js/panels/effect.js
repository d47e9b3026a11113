// What a card does to the motion: how far it goes, and the motion without it.
import { button, h, s } from '../common/dom.js';
import { trimmed } from '../common/format.js';
import { lengthText } from '../common/units.js';
import { fact } from './fields.js';

const PICTURE_PX = 1920;
const [WIDTH, HEIGHT] = [240, 44];

const turnText = (degrees) => `${trimmed(degrees, 2)}°`;
const pictureText = (widths) => `${trimmed(widths * PICTURE_PX, 1)} px`;

/** Largest and root mean square, in place, turn and picture. */
export function effectPart(store, desk, id, partId) {
  const facts = {
    place: fact('Place', 'Largest and root mean square distance from the motion without this card'),
    turn: fact('Turn', 'Largest and root mean square angle to the motion without this card'),
    picture: fact('Picture', `What is in focus, in pixels of a picture ${PICTURE_PX} wide`),
  };
  const texts = { place: lengthIn, turn: turnText, picture: pictureText };
  const show = (name, amount) =>
    facts[name].show(amount ? `${texts[name](amount.largest)}\nrms ${texts[name](amount.rms)}` : 'not moved');
  const apart = without(store, desk, id, partId);
  return {
    rows: [h('div', { class: 'facts effect' }, ...Object.values(facts).map((each) => each.element)), apart.element],
    refresh() {
      apart.refresh();
      const effect = desk.effects.of(id, partId);
      for (const name of Object.keys(facts)) {
        if (effect) show(name, effect[name]);
        else facts[name].show('…');
      }
    },
  };
}

/** Small ways in centimetres, unless somebody reads in feet. */
const lengthIn = (metres) => (metres < 1 ? `${trimmed(metres * 100, 2)} cm` : lengthText(metres, 2));

/** Held, the motion is shown as it is without the card; and the motion without it as a ghost. */
function without(store, desk, id, partId) {
  const off = [{ edit: 'switch-part', id, part: partId, on: false }];
  const hold = button('Hold to see without', () => {}, { title: 'While it is held, the motion passes this card by' });
  const begin = (event) => {
    event.preventDefault();
    hold.setAttribute('aria-pressed', 'true');
    store.show(off);
  };
  const end = () => {
    if (hold.getAttribute('aria-pressed') !== 'true') return;
    hold.setAttribute('aria-pressed', 'false');
    store.letGo();
  };
  hold.addEventListener('pointerdown', begin);
  for (const name of ['pointerup', 'pointerleave', 'pointercancel', 'blur']) hold.addEventListener(name, end);
  hold.addEventListener('keydown', (event) => event.key === ' ' && !event.repeat && begin(event));
  hold.addEventListener('keyup', (event) => event.key === ' ' && end());
  const isShown = () => store.ghosts.some((ghost) => ghost.without?.id === id && ghost.without.part === partId);
  const ghost = button('Ghost without', () => store.compare(isShown() ? [] : [{ without: { id, part: partId } }]), {
    title: 'Shows the motion without this card beside it: in the picture, on the plan and in Curves',
  });
  return {
    element: h('div', { class: 'buttons' }, hold, ghost, ...toNewCamera(store, desk, id)),
    refresh: () => ghost.setAttribute('aria-pressed', String(isShown())),
  };
}

/** Writes what a camera does into a new one beside it. */
function toNewCamera(store, desk, id) {
  if (store.byId.get(id)?.kind !== 'camera') return [];
  const make = (keep, title, text) => button(text, () => desk.nodes.toNewCamera(id, keep), { title });
  return [
    make(
      'every-frame',
      'Its motion as it is now, a key on every frame, as a new camera beside it',
      'Bake to new camera',
    ),
    make('fitted', 'The same with few keys, within a millimetre and a hundredth of a degree', 'Fit to new camera'),
  ];
}

/**
 * A line through numbers, as wide as a box.
 *
 * @param {number[]} values
 * @param {number} most what the box holds up and down
 * @param {number[]} [size] pixels across and up
 */
export function trace(values, most, [width, height] = [WIDTH, HEIGHT]) {
  const step = Math.max(1, Math.floor(values.length / width));
  const x = (i) => ((width * i) / Math.max(1, values.length - 1)).toFixed(1);
  const y = (v) => (height / 2 - (v / (most || 1)) * (height / 2 - 2)).toFixed(1);
  let d = '';
  for (let i = 0; i < values.length; i += step) d += `${d ? 'L' : 'M'}${x(i)} ${y(values[i])}`;
  return s(
    'svg',
    { class: 'trace', viewBox: `0 0 ${width} ${height}`, preserveAspectRatio: 'none', 'aria-hidden': 'true' },
    s('path', { class: 'rest', d: `M0 ${height / 2}H${width}` }),
    s('path', { d }),
  );
}

export const mostOf = (values) => values.reduce((most, v) => Math.max(most, Math.abs(v)), 0);
