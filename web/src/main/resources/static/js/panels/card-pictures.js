// The pictures on a card or a backplate: which files, when they play, and for how long each is held.
import { Problem } from '../common/api.js';
import { button, h } from '../common/dom.js';
import { framesPerSecond, trimmed } from '../common/format.js';
import { pictureFiles } from '../shot/picture-files.js';
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
      get: () => framesPerSecond(playing.pictures.rate),
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

const PICTURES = ['image/png', 'image/jpeg'];
const TAKEN = [...PICTURES, '.zip', 'video/*'].join();

/** What files are chosen with. @param {Record<string, any>} attributes @param {(files: File[]) => any} take */
function fileInput(attributes, take) {
  const onchange = (event) => take([...event.target.files]);
  return h('input', { type: 'file', hidden: true, onchange, ...attributes });
}

/** Buttons that take files, and what is there. @param {Holder} holder */
function filePicker(store, holder) {
  const says = h('small', { class: 'note' });
  const input = fileInput({ multiple: true, accept: TAKEN, 'aria-label': 'Picture files' }, (files) => take(files));
  const folder = fileInput({ webkitdirectory: true, 'aria-label': 'Folder of pictures' }, (files) =>
    take(files.filter(({ type }) => PICTURES.includes(type))),
  );
  const choose = button('Choose files…', () => input.click(), {
    title: 'PNG or JPEG, a zip of them, or a video; several play in the order of the numbers in their names',
  });
  const chooseFolder = button('Folder…', () => folder.click(), { title: 'All PNG and JPEG files of a folder' });
  const busy = (is) => {
    for (const each of [choose, chooseFolder]) each.disabled = is;
  };
  const take = async (files) => {
    if (!files.length) return;
    busy(true);
    let pictures = files;
    try {
      const perSecond = framesPerSecond(holder.now()?.rate ?? store.header.rate);
      const tell = (done, all) => (says.textContent = `reading ${done} of ${all}…`);
      pictures = await pictureFiles(files, { perSecond, tell });
      const kept = (done) => (says.textContent = `${done} of ${pictures.length}…`);
      await holder.take(await keepPictures(store, pictures, kept));
    } catch (problem) {
      if (!(problem instanceof Problem)) throw problem;
      store.announce('refused', naming(problem, pictures));
    } finally {
      input.value = '';
      folder.value = '';
      busy(false);
    }
  };
  return {
    element: h('span', {}, input, folder, choose, chooseFolder),
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
