// Pictures on a card or a backplate: which one is shown, and how files become them.
import { postJson } from '../common/api.js';
import { valueAt } from './samples.js';

const MOST_AT_ONCE = 24;
const OCTETS_AT_ONCE = 40e6;
const MM = 1000;

/** Which of its pictures a card or a backplate shows at a frame, counted from 0. @param {{stills: any[]}} pictures */
export function pictureAt(state, id, pictures, frame) {
  const shown = state.motion.get(id)?.shown;
  const last = pictures.stills.length - 1;
  return shown ? Math.min(last, valueAt(state, shown, frame)) : 0;
}

/** Files in groups that can be sent in one go. */
function* groups(files) {
  let group = [];
  let octets = 0;
  for (const file of files) {
    if (group.length && (group.length === MOST_AT_ONCE || octets + file.size > OCTETS_AT_ONCE)) {
      yield group;
      group = [];
      octets = 0;
    }
    group.push(file);
    octets += file.size;
  }
  yield group;
}

/** Files in an order of their names; several of one name stay apart. */
function ordered(files, order) {
  const left = [...files];
  return order.flatMap(({ name }) =>
    left.splice(
      left.findIndex((file) => file.name === name),
      1,
    ),
  );
}

/**
 * Keeps picture files for a shot; gives the stills that they make, in the order in which they play.
 *
 * @param {File[]} files
 * @param {(done: number) => void} tell how many are kept so far
 */
export async function keepPictures(store, files, tell) {
  const order = await postJson('/api/play-order', { names: files.map((file) => file.name) });
  const kept = [];
  for (const group of groups(ordered(files, order))) {
    const form = new FormData();
    group.forEach((file) => form.append('file', file));
    kept.push(...(await postJson(store.path('/pictures'), form)));
    tell(kept.length);
  }
  return kept.map(({ asset, width, height }, i) => ({ asset, width, height, held: order[i].held }));
}

/** Other stills in place of those there are; new ones play at the shot's rate from its first frame on. */
export const playing = (known, stills, header, after) => ({
  ...(known ?? { rate: header.rate, first: header.in, after }),
  stills,
});

/** A card with stills on it, as wide as the first one makes it at its height. */
export function withStills({ shape, finish }, stills, header) {
  const [{ width, height }] = stills;
  return {
    shape: { ...shape, width: Math.max(1, Math.round(((shape.height * width) / height) * MM)) / MM },
    finish: { ...finish, pictures: playing(finish.pictures, stills, header, stills.length > 1 ? 'cycle' : 'hold') },
  };
}
