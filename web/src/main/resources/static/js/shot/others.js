// What other windows do: the store hears of it, fetches what changed, and connects again by itself.
import { removeOnLeaving, windowName } from '../common/api.js';

/** Takes what another window stored; what is loose here is shown again on top. */
async function follow(store, revision) {
  if (revision <= store.revision) return;
  const loose = store.shown?.edits;
  await store.dropShown();
  await store.catchUp();
  if (loose) store.show(loose);
  store.setSaving('saved');
}

/** @param {import('./shot-store.js').ShotStore} store */
export function listenToOthers(store) {
  const address = store.path(`/events?window=${windowName}`);
  const source = new EventSource(address);
  source.addEventListener('revision', (event) => {
    const { revision, window } = JSON.parse(event.data);
    if (window !== windowName) store.next(() => follow(store, revision)).catch(() => {});
  });
  for (const name of ['people', 'beat']) {
    source.addEventListener(name, (event) => store.announce('people', JSON.parse(event.data)));
  }
  source.onerror = () => store.setSaving('trouble', 'Not connected; trying again');
  source.onopen = () => {
    if (store.saving.state === 'trouble') store.setSaving('saved');
  };
  addEventListener('pagehide', () => {
    source.close();
    removeOnLeaving(address);
  });
  addEventListener('pageshow', (event) => {
    if (event.persisted) location.reload();
  });
}
