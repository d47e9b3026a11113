// Keys in the document: [frame, value, tangent, ...].
import { ALL } from './channels.js';

const SAME_FRAME = 1e-6;

export const isAt = (key, frame) => Math.abs(key[0] - frame) < SAME_FRAME;

export const curveOf = (node, channel) => {
  const curve = node.channels?.[channel];
  return typeof curve === 'object' ? curve : null;
};

export const keysOf = (node, channel) => curveOf(node, channel)?.keys ?? [];

export const isKeyed = (node, channels) => channels.some((channel) => keysOf(node, channel).length > 0);

export const channelsOf = (node) => ALL.filter((channel) => channel in node.channels);

export const isLocked = (node, channel) => node.filter?.locked?.includes(channel) ?? false;

const known = new WeakMap();

/** Frames at which a node has keys on some channels, with the channels keyed there. */
export function keyFrames(node, channels) {
  const asked = channels.join();
  const answers = known.get(node) ?? new Map();
  known.set(node, answers);
  if (!answers.has(asked)) answers.set(asked, find(node, channels));
  return answers.get(asked);
}

function find(node, channels) {
  const frames = new Map();
  for (const channel of channels) {
    for (const key of keysOf(node, channel)) {
      const at = frames.get(key[0]) ?? { frame: key[0], channels: [], tangents: new Set() };
      at.channels.push(channel);
      at.tangents.add(key[2]);
      frames.set(key[0], at);
    }
  }
  return [...frames.values()].sort((a, b) => a.frame - b.frame);
}
