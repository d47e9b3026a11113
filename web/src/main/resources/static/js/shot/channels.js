// The channels of a node: how they are called, measured, typed and coloured.

import { trimmed } from '../common/format.js';

export const POSE = ['x', 'y', 'z', 'pan', 'tilt', 'roll'];
export const LENS = ['focal', 'fstop', 'focus'];
export const ALL = [...POSE, ...LENS];

export const CHANNELS = {
  x: { label: 'X', name: 'x', kind: 'length', unit: 'm', digits: 3, step: 0.05, colour: 'tide' },
  y: { label: 'Y', name: 'y', kind: 'length', unit: 'm', digits: 3, step: 0.05, colour: 'kelp' },
  z: { label: 'Z', name: 'z', kind: 'length', unit: 'm', digits: 3, step: 0.05, colour: 'brass' },
  pan: { label: 'Pan', name: 'pan', kind: 'angle', unit: '°', digits: 2, step: 1, colour: 'plum' },
  tilt: { label: 'Tilt', name: 'tilt', kind: 'angle', unit: '°', digits: 2, step: 1, colour: 'slate' },
  roll: { label: 'Roll', name: 'roll', kind: 'angle', unit: '°', digits: 2, step: 1, colour: 'ember' },
  focal: { label: 'Focal length', name: 'focal length', kind: 'lens-length', unit: 'mm', digits: 2, step: 1, colour: 'ink' },
  fstop: { label: 'F-stop', name: 'f-stop', kind: 'stop', unit: 'f/', digits: 2, step: 0.1, colour: 'soft' },
  focus: { label: 'Focus distance', name: 'focus', kind: 'length', unit: 'm', digits: 3, step: 0.1, colour: 'ink' },
};

/** Channels are drawn and measured on one axis if this is the same. Focus is no place of the path. */
export const axisOf = (channel) => (channel === 'focus' ? 'focus m' : CHANNELS[channel].unit);

/** A value of a channel with its unit. */
export function measured(channel, value) {
  const { unit, digits } = CHANNELS[channel];
  const number = trimmed(value, digits);
  return unit === 'f/' ? `f/${number}` : unit === '°' ? `${number}°` : `${number} ${unit}`;
}

export const TANGENTS = [
  ['settle', 'Settle', 'Smooth, never past a key'],
  ['flow', 'Flow', 'Smooth through the key; may swing past it'],
  ['straight', 'Straight', 'Linear to the next key'],
  ['hold', 'Hold', 'Constant until the next key'],
  ['free', 'Free', 'Set by hand: drag its handles in the Curves view'],
];

export const BEYOND = [
  ['hold', 'Hold', 'The value of the last key'],
  ['run-on', 'Run on', 'Goes on with the last slope'],
  ['cycle', 'Cycle', 'Starts again'],
  ['cycle-and-carry', 'Cycle and carry', 'Starts again from where it ended'],
];
