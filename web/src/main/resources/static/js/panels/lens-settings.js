// What a lens is set to that does not change with time.
import { lensOf } from '../shot/parts.js';

/** All of it. */
export const SETTINGS = [
  'sensorMm',
  'fit',
  'closeFocusM',
  'circleMm',
  'iris',
  'shutterOpens',
  'projection',
  'follow',
  'pulls',
];

/** What a lens is set to now, and how that is changed. */
export function settingsOf(store, id) {
  const now = () => lensOf(store.byId.get(id));
  return {
    now,
    set(change, done = true) {
      const settings = Object.fromEntries(SETTINGS.map((name) => [name, now()[name] ?? null]));
      const edits = [{ edit: 'set-part', id, part: { part: 'lens', ...settings, ...change } }];
      if (done) return store.edit(edits);
      store.show(edits);
      return true;
    },
  };
}
