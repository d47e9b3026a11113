// Giving the shot another frame rate, said plainly before it is done.
import { button, h } from '../common/dom.js';
import { framesPerSecond, rateLabel, trimmed } from '../common/format.js';
import { choice, row } from './fields.js';

const RATES = ['24', '25', '30', '48', '50', '60', '24000/1001', '30000/1001', '60000/1001'];

const seconds = (frames, rate) => `${trimmed(frames / rate, 2)} s`;

/** What will become of the shot. */
function plainly(asked, { header }) {
  const [was, next] = [framesPerSecond(header.rate), framesPerSecond(asked.rate)];
  const count = header.out - header.in + 1;
  if (asked.keep === 'frames') {
    const lasts = `${seconds(count, next)} instead of ${seconds(count, was)}`;
    return `All ${count} frames stay as they are; the shot lasts ${lasts}.`;
  }
  const frames = Math.round((count * next) / was);
  const keys = asked.whole ? ', rounded to whole frames' : ' and may stand between frames';
  const become = `${count} frames become ${frames}, ${header.in} to ${header.in + frames - 1}`;
  return `The shot lasts ${seconds(count, was)} as before: ${become}. Keys keep their moments${keys}.`;
}

export function ratePart(asked, store, desk) {
  const target = choice(
    'New frame rate',
    RATES.map((r) => [r, rateLabel(r)]),
    (rate) => asked.change({ rate }),
  );
  target.value = asked.rate;
  const keep = choice(
    'What stays',
    [
      ['time', 'time: every key at its moment'],
      ['frames', 'frames: every key on its frame'],
    ],
    (what) => asked.change({ keep: what }),
  );
  keep.value = asked.keep;
  const note = h('p', { class: 'note', role: 'status' });
  const convert = () =>
    store.edit([{ edit: 'convert-rate', rate: asked.rate, keep: asked.keep, wholeFrames: asked.whole }]);
  return {
    says: h('small', { text: `now ${rateLabel(store.header.rate)}` }),
    rows: [
      row('To', target, asked.check('whole', 'round keys to whole frames')),
      row('Keep', keep),
      note,
      h(
        'div',
        { class: 'buttons' },
        button('Convert', convert, { class: 'main' }),
        button('Range and handles', () => desk.chooseCard('shot'), {
          title: 'First and last frame and handles of the shot',
        }),
      ),
    ],
    refresh() {
      note.textContent = plainly(asked, store);
    },
  };
}
