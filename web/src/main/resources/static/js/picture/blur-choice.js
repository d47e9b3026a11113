// Over the picture: how focus and shutter are shown, and how far it is filled up.
import { h } from '../common/dom.js';
import { BLURS, PASSES } from './exposing.js';

const SAYS = {
  off: 'All sharp and still',
  fast: 'One quick drawing: what moves by itself is not drawn out, and blur stays within edges',
  true: 'At rest, the mean of many passes over the iris and the open shutter, each worked out at its own moment',
};

/** @param {import('./picture.js').Picture} picture @param {Element} place */
export function connectBlurChoice(picture, place) {
  const { exposing } = picture;
  const buttons = BLURS.map((mode) =>
    h('button', { type: 'button', title: SAYS[mode], text: mode, onclick: () => picture.setBlur({ mode }) }),
  );
  const choice = h(
    'span',
    { class: 'segments', role: 'group', 'aria-label': 'How focus and shutter are shown' },
    ...buttons,
  );
  const passes = h(
    'select',
    { 'aria-label': 'Passes', onchange: (event) => picture.setBlur({ passes: Number(event.target.value) }) },
    ...PASSES.map((count) => h('option', { value: count, text: `${count} passes` })),
  );
  const says = h('small', { role: 'status' });
  const loupe = h('button', {
    type: 'button',
    class: 'loupe-switch',
    text: 'Loupe',
    title: 'A part of the picture point for point, as it will be',
    onclick: () => picture.loupe.toggle(),
  });
  place.replaceChildren(says, passes, h('small', { text: 'Blur' }), choice, loupe);
  const show = () => {
    buttons.forEach((button, i) => button.setAttribute('aria-pressed', String(BLURS[i] === exposing.mode)));
    passes.hidden = exposing.mode !== 'true';
    passes.value = String(exposing.passes);
    says.textContent = textOf(exposing);
    loupe.setAttribute('aria-pressed', String(picture.loupe.on));
  };
  exposing.addEventListener('change', show);
  picture.desk.addEventListener('layout', show);
  show();
}

/** What the picture shows now. */
function textOf({ mode, able, trouble, reached, passes }) {
  if (mode === 'off') return '';
  if (trouble) return trouble;
  if (mode === 'fast') return 'fast, roughly';
  if (!able) return 'no floating point here: fast, roughly';
  return reached ? `pass ${reached} of ${passes}` : 'fast, roughly';
}
