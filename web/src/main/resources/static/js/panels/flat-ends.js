// Run on over flat ends: a curve that arrives level has nothing to run on with.
import { toast } from '../common/toasts.js';
import { KeyChoice } from '../shot/key-choice.js';
import { keysOf } from '../shot/keys.js';
import { pathName } from '../shot/parts.js';

const LEVEL = 1e-9;

/** Whether a curve ends level on a side: its last handle there does not rise. */
function isFlat(store, id, channel, side) {
  const keys = keysOf(store.byId.get(id), channel);
  const p = store.motion.get(id)?.curves?.[channel]?.segments;
  if (keys.length < 2) return true;
  if (!p?.length) return false;
  const n = p.length;
  const [value, handle] = side === 'after' ? [p[n - 1], p[n - 3]] : [p[1], p[3]];
  return Math.abs(value - handle) < LEVEL;
}

/** The key from which the outermost stretch on a side goes out. */
const outermost = (keys, side) => (side === 'after' ? keys[keys.length - 2] : keys[0]);

/**
 * Says which curves have nothing to run on with, and offers their ends straight.
 *
 * @param {KeyChoice} choice keys of the curves
 * @param {'before' | 'after'} side
 */
export function sayFlatEnds(store, choice, side) {
  const flat = choice.ids().flatMap((id) =>
    choice
      .channelsOf(id)
      .filter((channel) => isFlat(store, id, channel, side))
      .map((channel) => ({ id, channel, keys: keysOf(store.byId.get(id), channel) })),
  );
  if (!flat.length) return;
  const names = flat.map(({ id, channel }) => `${store.byId.get(id).name} ${pathName(store.byId.get(id), channel)}`);
  const picks = flat
    .filter(({ keys }) => keys.length > 1)
    .map(({ id, channel, keys }) => KeyChoice.of(id, [channel], [outermost(keys, side)[0]]));
  const straighten = () =>
    store.edit([{ edit: 'set-tangents', picks: KeyChoice.union(picks).picks(), tangent: 'straight' }]);
  const offer = picks.length ? { action: 'Make the ends straight', onAction: straighten } : {};
  toast(`Run on has nothing to run on with: ${names.join(', ')} ${flat.length === 1 ? 'ends' : 'end'} level`, offer);
}
