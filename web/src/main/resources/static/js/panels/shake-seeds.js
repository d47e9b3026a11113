// The seed of a layer of shake: typed, tried one after another, or chosen from a strip by its look.
import { getJson, Problem } from '../common/api.js';
import { button, h } from '../common/dom.js';
import { mostOf, trace } from './effect.js';
import { row } from './fields.js';

const OFFERED = 6;
const TRACE_PX = [88, 26];

/** @param {import('./part-work.js').PartWork} work */
export function seedPart(work) {
  const field = work.setting('seed', { label: 'Seed', quantity: 'plain', digits: 0, step: 1, whole: true });
  const next = button('Try next', () => work.set({ seed: (work.part.seed ?? 1) + 1 }), {
    title: 'The next seed: another motion with the same numbers',
  });
  const strip = new Strip(work);
  return {
    rows: [row('Seed', field.element, next), strip.element],
    refresh() {
      field.refresh();
      strip.refresh();
    },
  };
}

class Strip {
  constructor(work) {
    this.work = work;
    this.from = work.part?.seed ?? 1;
    this.element = h('div', { class: 'seeds', role: 'group', 'aria-label': 'Seeds by their look' });
  }

  refresh() {
    const { store, part } = this.work;
    if (!part) return;
    const seed = part.seed ?? 1;
    if (seed < this.from || seed >= this.from + OFFERED) this.from = seed;
    for (const each of this.element.children)
      each.setAttribute('aria-pressed', String(Number(/** @type {HTMLElement} */ (each).dataset.seed) === seed));
    const looks = JSON.stringify([this.from, { ...part, seed: 0 }]);
    if (looks === this.looks || store.before) return;
    this.looks = looks;
    this.draw();
  }

  async draw() {
    const { work } = this;
    const { looks } = this;
    const seeds = Array.from({ length: OFFERED }, (_, i) => this.from + i);
    const query = new URLSearchParams({ node: work.id, part: work.partId, seeds: seeds.join(',') });
    try {
      const answer = await getJson(work.store.path(`/seeds?${query}`));
      if (looks !== this.looks) return;
      const most = Math.max(...answer.seeds.map((each) => mostOf(each.offsets)));
      this.element.replaceChildren(...answer.seeds.map((each) => this.choice(each, most)));
      this.refresh();
    } catch (problem) {
      if (!(problem instanceof Problem)) throw problem;
      this.looks = null; // the card went meanwhile
    }
  }

  choice({ seed, offsets }, most) {
    return h(
      'button',
      {
        type: 'button',
        title: `Take seed ${seed}`,
        'aria-label': `Seed ${seed}`,
        'data-seed': seed,
        onclick: () => this.work.set({ seed }),
      },
      trace(offsets, most, TRACE_PX),
      h('small', { text: String(seed) }),
    );
  }
}
