// Focus on what is pressed in the picture: its distance is that of the first surface there, as the server finds it.
import { getJson } from '../common/api.js';
import { toast } from '../common/toasts.js';
import { lengthText } from '../common/units.js';
import { lensOf } from '../shot/parts.js';
import { settingsOf } from './lens-settings.js';

/** Waits for a press in the picture, and focuses there. */
export function pickFocus(store, desk, id) {
  desk.showCamera(id);
  desk.pickPlace('Press in the picture where it is to be sharp', (x, y) => focusAt(store, desk, id, [x, y]));
}

/** @param {number[]} at a place in parts of the picture from its upper left */
async function focusAt(store, desk, id, at) {
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
    await focusOn(store, desk, id, found);
  });
}

/** Focuses at a distance from now on, whatever was followed before. */
export async function focusAtDistance(store, desk, id, distance) {
  const { frame } = desk;
  if (lensOf(store.byId.get(id)).follow && !(await settingsOf(store, id).set({ follow: null }))) return;
  const edit = (keying) => ({ edit: 'set-values', id, frame, values: { focus: distance }, keying });
  await desk.change(store.byId.get(id), ['focus'], edit, { done: true, frame });
}

async function focusOn(store, desk, id, { distance, name, node, point }) {
  const lens = settingsOf(store, id);
  await focusAtDistance(store, desk, id, distance);
  toast(`Focused on ${name}, ${lengthText(distance)} away`, {
    action: 'Follow it',
    onAction: () => lens.set({ follow: { node, point, offsetM: 0 } }),
  });
}
