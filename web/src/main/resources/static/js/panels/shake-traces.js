// What something that shakes adds, channel by channel, and the spectrum of one of them.
import { h, s } from '../common/dom.js';
import { trimmed } from '../common/format.js';
import { kindOf, withUnit } from '../shot/parts.js';
import { mostOf, trace } from './effect.js';

const [SPECTRUM_W, SPECTRUM_H] = [240, 46];

/** What the layer adds over the shot, channel by channel, and the spectrum of the one chosen. */
export function tracesPart(work) {
  const traces = h('div', { class: 'traces' });
  const spectrum = h('div', { class: 'spectrum' });
  let drawn = null;
  let chosen = null;
  const draw = () => {
    const effect = work.desk.effects.of(work.id, work.partId);
    if (effect === drawn || !effect?.channels) return;
    drawn = effect;
    const names = Object.keys(effect.channels);
    if (!names.includes(chosen)) chosen = names.find((name) => ['pan', 'tilt', 'roll'].includes(name)) ?? names[0];
    show(effect, names);
  };
  const show = (effect, names) => {
    const choose = (name) => {
      chosen = name;
      show(effect, names);
    };
    traces.replaceChildren(
      ...names.map((name) => traceRow(name, effect.channels[name], name === chosen, () => choose(name))),
    );
    spectrum.replaceChildren(...(chosen ? spectrumOf(chosen, effect.channels[chosen]) : []));
    if (!names.length)
      traces.replaceChildren(h('p', { class: 'note', text: 'Nothing moves yet: say how far, or start from a feel.' }));
  };
  return { rows: [traces, spectrum], refresh: draw };
}

/** A channel as that of a layer of shake is called and measured. */
const parameterOf = (name) => kindOf({ part: 'shake' }).parameters.find((p) => p.id === name);

function traceRow(name, { offsets, hz }, pressed, choose) {
  const { label, family } = parameterOf(name);
  const most = mostOf(offsets);
  return h(
    'button',
    { type: 'button', 'aria-pressed': String(pressed), title: `Spectrum of ${label.toLowerCase()}`, onclick: choose },
    h('span', { text: label }),
    trace(offsets, most),
    h('small', { text: `±${withUnit(family, most)}${hz ? ` · ${trimmed(hz, 3)} Hz` : ''}` }),
  );
}

function spectrumOf(name, { spectrum, spectrumHz, dominantHz }) {
  if (!spectrum) return [];
  const { label } = parameterOf(name);
  const most = mostOf(spectrum);
  const x = (i) => ((SPECTRUM_W * i) / (spectrum.length - 1)).toFixed(1);
  const y = (v) => (SPECTRUM_H - (v / (most || 1)) * (SPECTRUM_H - 3)).toFixed(1);
  const d = `M0 ${SPECTRUM_H}${spectrum.map((v, i) => `L${x(i)} ${y(v)}`).join('')}L${SPECTRUM_W} ${SPECTRUM_H}Z`;
  const best = spectrumHz.indexOf(dominantHz);
  const mark = best < 0 ? '' : `M${x(best)} 0V${SPECTRUM_H}`;
  const ends = `${trimmed(spectrumHz[0], 2)} to ${trimmed(spectrumHz.at(-1), 1)} Hz`;
  return [
    h('small', { class: 'note', text: `${label}: strongest at ${trimmed(dominantHz, 2)} Hz, of ${ends}` }),
    s(
      'svg',
      {
        viewBox: `0 0 ${SPECTRUM_W} ${SPECTRUM_H}`,
        preserveAspectRatio: 'none',
        role: 'img',
        'aria-label': `Spectrum of ${label.toLowerCase()}`,
      },
      s('path', { class: 'power', d }),
      s('path', { class: 'mark', d: mark }),
    ),
  ];
}
