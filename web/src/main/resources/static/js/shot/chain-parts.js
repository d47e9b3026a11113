// The parts of a node's chain that can be switched off, and which of them are.
import { LENS, POSE } from './channels.js';
import { keysOf } from './keys.js';

export const PARTS = { keys: 'Keys', carried: 'Carried by', lens: 'Lens' };

/** The part through which a channel takes effect. */
export const partOf = (channel) => (POSE.includes(channel) ? 'keys' : 'lens');

export const isOff = (node, part) => node?.off?.includes(part) ?? false;

/** Whether a part moves anything that could be switched off, or is switched off. */
export function canSwitch(node, part) {
  if (isOff(node, part)) return true;
  if (part === 'carried') return Boolean(node.carrier);
  if (part === 'lens' && node.lens?.follow) return true;
  return { keys: POSE, lens: LENS }[part]?.some((channel) => keysOf(node, channel).length) ?? false;
}

/** What of a camera's whole rig is switched off, in words. */
export function offInRig(store, id) {
  const camera = store.byId.get(id);
  return [...store.carriersOf(id), camera].filter((node) => node?.off)
    .flatMap((node) => node.off.map((part) => `${node === camera ? '' : `${node.name}: `}${PARTS[part]} off`));
}
