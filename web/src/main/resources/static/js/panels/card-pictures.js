// The pictures on a card or a backplate: which files, when they play, and for how long each is held.
import { Problem } from '../common/api.js';
import { button, h } from '../common/dom.js';
import { trimmed } from '../common/format.js';
import { keepPictures, pictureAt, withStills } from '../shot/card-pictures.js';
import { sayProblem } from '../shot/say-problem.js';
import { choice, labelled, row } from './fields.js';
import { NumberField } from './number-field.js';

const AFTER = [
  ['hold', 'last stays'],
  ['cycle', 'repeats'],
];
const THOUSANDTHS = 1000;
/** Rates that are written as fractions, by what is typed. */
const FRACTIONS = ['23.976', '29.97', '59.94'];

/** Pictures a second as a rate: a whole number or a fraction. */
function rateOf(value) {
  const written = trimmed(value, 3);
  if (FRACTIONS.includes(written)) return written;
  return Number.isInteger(value) ? written : `${Math.round(value * THOUSANDTHS)}/${THOUSANDTHS}`;
}

const perSecond = (rate) => {
  const [over, under = '1'] = rate.split('/');
  return Number(over) / Number(under);
};

/** How long all are held, if they are held alike. */
const heldAlike = (stills) =>
  stills.every((still) => (still.held ?? 1) === (stills[0].held ?? 1)) ? (stills[0].held ?? 1) : null;

/**
 * What has pictures: a card, a backplate.
 *
 * @typedef {object} Holder
 * @property {string} id of the node
 * @property {() => any} now its pictures, if it has some
 * @property {(pictures: any, done?: boolean) => any} set gives it others, or takes them off
 * @property {(stills: any[]) => any} take gives it other stills
 */

/** What is set about the pictures of something. */
class Playing {
  /** @param {Holder} holder */
  constructor(store, desk, holder) {
    this.store = store;
    this.desk = desk;
    this.holder = holder;
  }

  get pictures() {
    return this.holder.now();
  }

  /** Which one is shown, counted from 0. */
  get shown() {
    return pictureAt(this.store, this.holder.id, this.pictures, this.desk.frame);
  }

  change(to, done = true) {
    return this.holder.set({ ...this.pictures, ...to }, done);
  }

  /** Has some held for so many pictures. @param {(i: number) => boolean} which */
  hold(held, which, done) {
    const stills = this.pictures.stills.map((each, i) => (which(i) ? { ...each, held: Math.round(held) } : each));
    return this.change({ stills }, done);
  }

  takeOff() {
    return this.pictures ? this.holder.set(undefined) : false;
  }

  /** @param {Partial<import('./number-field.js').NumberOptions>} options */
  number(label, options) {
    const { get, set } = options;
    return new NumberField({
      label,
      quantity: 'plain',
      unit: '',
      digits: 0,
      step: 1,
      rate: () => this.store.header.rate,
      ...options,
      get: () => (this.pictures ? get() : null),
      set: (value, done, at) => (this.pictures ? set(value, done, at) : false),
    });
  }
}

/** The numbers of a sequence, by what they are. @param {Playing} playing */
function numbersOf(playing) {
  const stills = () => playing.pictures.stills;
  return {
    rate: playing.number('Pictures a second', {
      unit: '/s',
      digits: 3,
      get: () => perSecond(playing.pictures.rate),
      set: (value, done) => playing.change({ rate: rateOf(value) }, done),
    }),
    first: playing.number('Frame of the first picture', {
      quantity: 'frames',
      unit: 'f',
      digits: 2,
      get: () => playing.pictures.first,
      set: (value, done) => playing.change({ first: value }, done),
    }),
    all: playing.number('Each held for', {
      empty: 'various',
      get: () => heldAlike(stills()),
      set: (value, done) => playing.hold(value, () => true, done),
    }),
    one: playing.number('This one held for', {
      get: () => stills()[playing.shown]?.held ?? 1,
      at: () => playing.shown,
      set: (value, done, at) => playing.hold(value, (i) => i === at, done),
    }),
  };
}

/** Which picture is shown, of how many, and how long a round of them is. @param {number} [round] frames */
const whichText = (shown, count, round) =>
  `${shown + 1} of ${count}${round ? `, round ${trimmed(round, 2)} f` : ' now'}`;

/**
 * The pictures on a card.
 *
 * @param {() => any} now the piece
 * @param {(shape: any, finish: any, done?: boolean) => any} set gives it another shape and finish
 */
export function cardPictures(store, desk, now, set) {
  return picturesPart(store, desk, {
    id: now().id,
    now: () => now().finish.pictures,
    set(pictures, done) {
      const { shape, finish } = now();
      return set(shape, { ...finish, pictures }, done);
    },
    take(stills) {
      const { shape, finish } = withStills(now(), stills, store.header);
      return set(shape, finish);
    },
  });
}

/** @param {Holder} holder */
export function picturesPart(store, desk, holder) {
  const playing = new Playing(store, desk, holder);
  const files = filePicker(store, holder);
  const takeOff = button('Take off', () => playing.takeOff());
  const numbers = numbersOf(playing);
  const after = choice('After the last picture', AFTER, (value) => playing.change({ after: value }));
  const which = h('small');
  const { rate, first, all, one } = numbers;
  const sequence = [
    row('Plays', rate.element, labelled('from', first.element), after),
    row('Held', labelled('each', all.element), labelled('this one', one.element), which),
  ];
  const line = h('span', { class: 'shown' }, files.element, takeOff, files.says);
  return {
    rows: [h('div', { class: 'row one' }, h('span', { text: 'Pictures' }), line), ...sequence],
    refresh() {
      const is = playing.pictures;
      files.refresh();
      takeOff.hidden = !is;
      for (const each of sequence) each.hidden = !is || is.stills.length < 2;
      if (!is) return;
      Object.values(numbers).forEach((field) => field.refresh());
      after.value = is.after;
      which.textContent = whichText(playing.shown, is.stills.length, store.motion.get(holder.id)?.round);
    },
  };
}

/** A refusal that says which file it is about. */
function naming(problem, files) {
  const file = files.find(({ name }) => problem.where?.startsWith(`${name}.`));
  if (!file) return problem;
  const { message, found, allowed, where } = problem;
  const detail = sayProblem({ message, found, allowed, where: where.slice(file.name.length + 1) });
  return new Problem(problem.status, { detail: `${file.name}: ${detail}` });
}

/** A button that takes files, and what is there. @param {Holder} holder */
function filePicker(store, holder) {
  const says = h('small', { class: 'note' });
  const input = h('input', {
    type: 'file',
    accept: 'image/png,image/jpeg',
    multiple: true,
    hidden: true,
    'aria-label': 'Picture files',
    onchange: () => take([...input.files]),
  });
  const choose = button('Choose files…', () => input.click(), {
    title: 'PNG or JPEG; several play one after another, in the order of the numbers in their names',
  });
  const take = async (files) => {
    if (!files.length) return;
    choose.disabled = true;
    try {
      const stills = await keepPictures(store, files, (done) => (says.textContent = `${done} of ${files.length}…`));
      await holder.take(stills);
    } catch (problem) {
      if (!(problem instanceof Problem)) throw problem;
      store.announce('refused', naming(problem, files));
    } finally {
      input.value = '';
      choose.disabled = false;
    }
  };
  return {
    element: h('span', {}, input, choose),
    says,
    refresh() {
      if (choose.disabled) return;
      const stills = holder.now()?.stills ?? [];
      const [one] = stills;
      const count = stills.length > 1 ? `${stills.length} pictures, ` : '';
      says.textContent = one ? `${count}${one.width} × ${one.height} px` : 'a still or a sequence';
    },
  };
}
