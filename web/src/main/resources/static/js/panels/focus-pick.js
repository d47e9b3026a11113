// Focus on what is pressed in the picture: its distance is that of the first surface there, as the server finds it.
import { getJson } from '../common/api.js';
import { toast } from '../common/toasts.js';
import { lengthText } from '../common/units.js';
import { framesPerSecond } from '../common/format.js';
import { focusMoved, plusMark, plusPull } from '../shot/focus.js';
import { lensOf } from '../shot/parts.js';
import { settingsOf } from './lens-settings.js';

/** Waits for a press in the picture, and focuses there. */
export function pickFocus(store, desk, id) {
  pick(store, desk, id, 'Press in the picture where it is to be sharp', (found) => focusOn(store, desk, id, found));
}

/** Waits for a press in the picture, and sets a mark there. */
export function pickMark(store, desk, id) {
  pick(store, desk, id, 'Press in the picture what the mark is on', (found) => markOn(store, desk, id, found));
}

function pick(store, desk, id, says, then) {
  desk.showCamera(id);
  desk.pickPlace(says, (x, y) => seenAt(store, desk, id, [x, y], then));
}

/** @param {number[]} at a place in parts of the picture from its upper left */
async function seenAt(store, desk, id, at, then) {
  const [x, y] = at;
  const { aspect } = store.header;
  const query = new URLSearchParams({
    camera: id,
    frame: desk.frame,
    x: String(x - 0.5),
    y: String((0.5 - y) / aspect),
  });
  await store.attempt(async () => {
    const found = await getJson(store.path(`/sightline?${query}`));
    if (!found.node) {
      toast('Nothing stands there: the lens can be focused on what has a surface');
      return;
    }
    await then(found);
  });
}

/** Another mark for the pulls of a lens, on what was met. */
async function markOn(store, desk, id, { distance, name, node, point }) {
  const lens = settingsOf(store, id);
  const pulls = plusMark(lens.now().pulls, { name, node, point, offsetM: 0 });
  const mark = pulls.marks.at(-1).id;
  if (!(await lens.set({ pulls }))) return;
  toast(`A mark on ${name}, ${lengthText(distance)} away`, {
    action: 'Pull to it here',
    onAction: () => {
      const rate = framesPerSecond(store.header.rate);
      return lens.set({ pulls: plusPull(lens.now().pulls, mark, Math.round(desk.frame), rate) });
    },
  });
}

/**
 * Focuses at a distance from now on, whatever was followed before; where focus is pulled, the mark that is in force
 * goes there.
 */
export async function focusAtDistance(store, desk, id, distance) {
  const { frame } = desk;
  const { pulls } = lensOf(store.byId.get(id));
  if (pulls) {
    await settingsOf(store, id).set(focusMoved({ part: 'lens', pulls }, frame, store.lens(id, frame).focusM, distance));
    return;
  }
  if (lensOf(store.byId.get(id)).follow && !(await settingsOf(store, id).set({ follow: null }))) return;
  const edit = (keying) => ({ edit: 'set-values', id, frame, values: { focus: distance }, keying });
  await desk.change(store.byId.get(id), ['focus'], edit, { done: true, frame });
}

async function focusOn(store, desk, id, { distance, name, node, point }) {
  const lens = settingsOf(store, id);
  await focusAtDistance(store, desk, id, distance);
  toast(`Focused on ${name}, ${lengthText(distance)} away`, {
    action: 'Follow it',
    onAction: () => lens.set({ follow: { node, point, offsetM: 0 }, pulls: null }),
  });
}
