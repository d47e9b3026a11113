// Parts as they are when they are added: set to something that makes sense where they stand.
import { aimedAt } from './targets.js';

/** What a camera or a null is first aimed at: the nearest piece with a size a person would look at, or in front. */
function firstTarget(store, node) {
  const pose = store.pose(node.id, store.header.in);
  const far = (other) => {
    const p = store.pose(other.id, store.header.in);
    return p && pose ? Math.hypot(p.x - pose.x, p.y - pose.y, p.z - pose.z) : Infinity;
  };
  const people = store.nodes.filter((n) => n.id !== node.id && n.kind === 'piece' && n.shape.kind === 'person');
  const pieces = store.nodes.filter((n) => n.id !== node.id && n.kind === 'piece' && n.shape.kind !== 'plane');
  const [nearest] = (people.length ? people : pieces).sort((a, b) => far(a) - far(b));
  if (!nearest) return { place: [0, 1, 0] };
  return aimedAt(store, nearest.id);
}

/** A dolly of a metre over the first half of the shot. */
function firstMove(store) {
  const { in: from, out: to } = store.header;
  const third = Math.round((to - from) / 6);
  const window = { from, to: from + Math.max(1, Math.round((to - from) / 2)) };
  return { way: 'dolly', amount: 1, easeIn: third, easeOut: third, softness: 0.5, window };
}

/** Standing, held by hand. */
function firstShake(store) {
  const curves = { x: 1.2, y: 0.8, z: 0.8, pan: 0.5, tilt: 0.4, roll: 0.25 };
  const hz = { xHz: 0.35, yHz: 0.45, zHz: 0.3, panHz: 0.4, tiltHz: 0.5, rollHz: 0.3 };
  return { way: 'handheld', octaves: 3, roughness: 0.4, seed: 1, start: store.header.in, ...curves, ...hz };
}

const NEW = {
  shake: firstShake,
  'run-in': () => ({ before: 'run-on', after: 'run-on' }),
  smooth: () => ({ way: 'gaussian', sigma: 5 }),
  move: firstMove,
  aim: (store, node) => ({ target: firstTarget(store, node), side: 'front', roll: 'kept' }),
};

/** A part of a kind, without an id yet. */
export const newPart = (store, node, kind) => ({ part: kind.part, ...NEW[kind.part]?.(store, node) });
