// Where a camera's focus comes from besides its keys: what it follows, or the marks that it is pulled between.

/**
 * @typedef {{id: string, name: string, metres?: number, offsetM?: number} & import('./types.js').Target} FocusMark
 * @typedef {{reach: number, hz?: number, damping?: number}} Hunt
 * @typedef {{id: string, frame: number, frames: number, mark: string, ease: number[], hunt?: Hunt}} Pull
 * @typedef {{along: string, marks: FocusMark[], by: Pull[]}} Pulls
 */

/** How long a new pull takes, in seconds. */
const USUAL_S = 1;

/** The mark that focus is on, or on its way to, at a frame. @param {Pulls} pulls @returns {FocusMark} */
export function markAt(pulls, frame) {
  const last = pulls.by.filter((pull) => pull.frame <= frame).at(-1);
  return last ? markOf(pulls, last) : pulls.marks[0];
}

/** @param {Pulls} pulls @param {Pull} pull @returns {FocusMark} */
export const markOf = (pulls, pull) => pulls.marks.find((mark) => mark.id === pull.mark);

/** Whether a mark is on something, and not at a distance of its own. @param {FocusMark} mark */
export const isOn = (mark) => Boolean(mark.node || mark.place);

/** An id that no other one is. @param {string} word @param {{id: string}[]} others */
export function newId(word, others) {
  let n = others.length + 1;
  while (others.some(({ id }) => id === `${word}-${n}`)) n += 1;
  return `${word}-${n}`;
}

/** @param {Pulls} pulls @param {string} id @param {object} change */
export const withMark = (pulls, id, change) => ({
  ...pulls,
  marks: pulls.marks.map((mark) => (mark.id === id ? { ...mark, ...change } : mark)),
});

/** With another mark. @param {Pulls} pulls @param {object} mark */
export const plusMark = (pulls, mark) => ({
  ...pulls,
  marks: [...pulls.marks, { id: newId('mark', pulls.marks), ...mark }],
});

/** With a pull to a mark, as long as pulls usually are. @param {Pulls} pulls @param {number} framesPerSecond */
export function plusPull(pulls, mark, frame, framesPerSecond) {
  const frames = Math.round(USUAL_S * framesPerSecond);
  const pull = { id: newId('pull', pulls.by), frame, frames, mark, ease: [frames / 3, frames / 3, 0.5] };
  return { ...pulls, by: [...pulls.by, pull] };
}

/** A pull that lasts another number of frames, its ease with it. @param {Pull} pull @returns {Pull} */
export function lasting(pull, frames) {
  const factor = pull.frames > 0 ? frames / pull.frames : 0;
  const ease = factor ? [pull.ease[0] * factor, pull.ease[1] * factor, pull.ease[2]] : [frames / 3, frames / 3, 0.5];
  return { ...pull, frames, ease };
}

/**
 * What of a lens's settings is another when its focus is to be elsewhere at a frame; null where its distance is keyed.
 *
 * @param {import('./types.js').Part} lens
 * @param {number} now metres
 * @param {number} metres
 */
export function focusMoved(lens, frame, now, metres) {
  if (lens.follow) return { follow: { ...lens.follow, offsetM: lens.follow.offsetM + metres - now } };
  if (!lens.pulls) return null;
  const mark = markAt(lens.pulls, frame);
  const change = isOn(mark) ? { offsetM: (mark.offsetM ?? 0) + metres - now } : { metres };
  return { pulls: withMark(lens.pulls, mark.id, change) };
}
