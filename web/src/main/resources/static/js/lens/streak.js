// How long what is at a depth is drawn out by the open shutter at the playhead, and whether the pan is too fast.
import { button, h } from '../common/dom.js';
import { fixed } from '../common/format.js';
import { NumberField } from '../panels/number-field.js';

const MOST_M = 1e6;
const LEAST_M = 0.001;

/** @param {import('../shot/streaks.js').Streaks} streaks */
export function streakPart(store, desk, streaks, id) {
  const field = new NumberField({
    label: 'Depth of what is drawn out',
    title: 'How far off something is whose streak is shown; where the focus is unless you say',
    quantity: 'length',
    unit: 'm',
    digits: 2,
    step: 0.1,
    rate: () => store.header.rate,
    get: () => streaks.metres ?? store.lens(id, desk.frame)?.focusM ?? null,
    set: (metres) => {
      if (metres < LEAST_M || metres > MOST_M) return false;
      streaks.at(metres);
      return true;
    },
  });
  const focus = button('In focus', () => streaks.at(null), { title: 'The streak of what is in focus' });
  const says = h('span', { class: 'number', role: 'status' });
  return {
    elements: [h('label', {}, h('small', { text: 'Streak at' }), field.element), focus, says],
    refresh() {
      field.refresh();
      focus.hidden = streaks.metres === null;
      const now = streaks.on(desk.frame);
      says.textContent = now ? words(now, store.picture.widthPx) : '';
      says.classList.toggle('trouble', Boolean(now?.judder));
    },
  };
}

function words({ streak, judder }, widthPx) {
  const long = `${fixed(streak * widthPx, 1)} px`;
  if (!judder) return long;
  return `${long} · judders: a width in ${fixed(judder.seconds, 1)} s, calm from ${fixed(judder.least, 1)} s`;
}
