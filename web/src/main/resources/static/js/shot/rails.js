// Rails and rides: where their anchors are, how long their stretches are, who rides them.
import { turned } from '../common/turned.js';
import { idOf } from './parts.js';

/** @typedef {import('./types.js').Node} Node */

const NUMBERS = 10; // an anchor: its distance, and three points
const STRETCH = 100; // per cent
const CHORDS = 14; // of a span, as it is drawn

/** The numbers of a rail's anchors, as the server computed them. */
const numbersOf = (store, id) => store.motion.get(id)?.anchors ?? null;

/** The length of a rail in metres. */
export function railLength(store, id) {
  const numbers = numbersOf(store, id);
  return numbers ? numbers[numbers.length - 1] : 0;
}

/**
 * The anchors of a rail at a frame, in the world.
 *
 * @returns {{id: string, kind: string, distance: number, in: number[], at: number[], out: number[]}[]}
 */
export function anchorsOf(store, node, frame) {
  const numbers = numbersOf(store, node.id);
  const pose = store.pose(node.id, frame);
  if (!numbers || !pose) return [];
  const place = (i) => {
    const [x, y, z] = turned([numbers[i], numbers[i + 1], numbers[i + 2]], pose);
    return [x + pose.x, y + pose.y, z + pose.z];
  };
  return node.rail.anchors.map(({ id, kind = 'smooth' }, k) => {
    const i = k * NUMBERS;
    return { id, kind, distance: numbers[i], in: place(i + 1), at: place(i + 4), out: place(i + 7) };
  });
}

/** A point of the Bezier between two anchors. */
function between(a, b, u) {
  const v = 1 - u;
  return a.at.map((p, i) => v * v * v * p + 3 * u * v * v * a.out[i] + 3 * u * u * v * b.in[i] + u * u * u * b.at[i]);
}

/** Points along a rail as it is drawn, in the world. @returns {number[][]} */
export function pointsAlong(node, anchors) {
  if (!anchors.length) return [];
  const spans = anchors.flatMap((a, i) => {
    const b = anchors[i + 1] ?? (node.rail.closed ? anchors[0] : null);
    return b ? Array.from({ length: CHORDS }, (_, k) => between(a, b, (k + 1) / CHORDS)) : [];
  });
  return [anchors[0].at, ...spans];
}

/** A step in the world, in the rail's own space. */
export function inRail(store, node, frame, step) {
  const { qx, qy, qz, qw } = store.pose(node.id, frame);
  return turned(step, { qx: -qx, qy: -qy, qz: -qz, qw });
}

/** A place in the world, in the rail's own space. */
export function placeInRail(store, node, frame, place) {
  const pose = store.pose(node.id, frame);
  return inRail(store, node, frame, [place[0] - pose.x, place[1] - pose.y, place[2] - pose.z]);
}

/** The first ride of a node whose pace is keyed, or nothing. @param {Node} node */
export const pacedRide = (node) => node?.chain.find((part) => part.part === 'ride' && part.pace?.keys?.length);

/** The ride of a node on a rail, if it has one. @param {Node} node @param {string} railId */
export const rideOf = (node, railId) => node.chain.find((part) => part.part === 'ride' && part.rail === railId);

/** All that ride a rail. */
export const ridersOf = (store, railId) => store.nodes.filter((node) => rideOf(node, railId));

/** What the server says of a ride: its stretches and its metres. */
const saidOf = (store, id, ride) => store.motion.get(id)?.rides?.[idOf(ride)] ?? null;

/** Where the stretches between pins begin and end, in metres. */
export const boundsOf = (store, id, ride) => saidOf(store, id, ride)?.bounds ?? [0, 0];

/** The frames of pace keys that a pin overrules. @returns {number[]} */
export const disputedOf = (store, id, ride) => saidOf(store, id, ride)?.disputed ?? [];

/** The pace in per cent of stretches at which so many metres are reached. */
export function percentAt(store, id, ride, metres) {
  const bounds = boundsOf(store, id, ride);
  const stretches = bounds.length - 1;
  const whole = bounds[stretches];
  const closed = store.byId.get(ride.rail)?.rail.closed;
  const rounds = closed && whole > 0 ? Math.floor(metres / whole) : 0;
  const rest = metres - rounds * whole;
  let stretch = 0;
  while (stretch < stretches - 1 && bounds[stretch + 1] <= rest) stretch++;
  const size = bounds[stretch + 1] - bounds[stretch];
  return STRETCH * (rounds * stretches + stretch + (size > 0 ? (rest - bounds[stretch]) / size : 0));
}

/** The metres along its rail that a ride reaches at a pace in per cent of stretches. */
export function metresAt(store, id, ride, percent) {
  const bounds = boundsOf(store, id, ride);
  const stretches = bounds.length - 1;
  const closed = store.byId.get(ride.rail)?.rail.closed;
  const rounds = closed ? Math.floor(percent / (STRETCH * stretches)) : 0;
  const rest = percent / STRETCH - rounds * stretches;
  const stretch = Math.max(0, Math.min(stretches - 1, Math.floor(rest)));
  return rounds * bounds[stretches] + bounds[stretch] + (rest - stretch) * (bounds[stretch + 1] - bounds[stretch]);
}

/** The path of a ride's pace. */
export const pacePath = (ride) => `${idOf(ride)}.pace`;

/** Where a node is on a rail at a frame, in metres; null if that is not known. */
export function rideMetres(store, node, ride, frame) {
  const column = saidOf(store, node.id, ride)?.metres;
  return column ? store.value(frame, column) : null;
}
