// The parts of a node's chain and what of them can be keyed. What kinds there are, the server says.
import { getJson } from '../common/api.js';
import { trimmed } from '../common/format.js';
import { takeQuantities } from '../common/quantity.js';

/** @typedef {import('./types.js').Node} Node */
/** @typedef {import('./types.js').Part} Part */
/** @typedef {import('./types.js').Curve} Curve */

/** Parts whose parameters are written without their part. */
const BARE = ['keys', 'lens'];

/** @type {Map<string, import('./types.js').PartKind>} */
const kinds = new Map();

/** @type {Map<string, import('./types.js').Family>} */
const families = new Map();

/** Place and turn. @type {string[]} */
export const POSE = [];

/** The three of a place. @type {string[]} */
export const PLACE = [];

/** The three of a turn. @type {string[]} */
export const TURN = [];

/** Takes what the server says of parts, parameters and families. */
export function takeParts(answer) {
  for (const family of answer.families) families.set(family.id, family);
  for (const kind of answer.parts) {
    const parameters = kind.parameters.map((p) => ({ ...families.get(p.family), ...p, name: p.label.toLowerCase() }));
    kinds.set(kind.part, { ...kind, parameters });
  }
  const pose = kinds.get('keys').parameters;
  POSE.splice(0, POSE.length, ...pose.map((p) => p.id));
  PLACE.splice(0, PLACE.length, ...pose.filter((p) => p.family === 'place').map((p) => p.id));
  TURN.splice(0, TURN.length, ...pose.filter((p) => p.family === 'turn').map((p) => p.id));
}

export async function loadParts() {
  const answer = await getJson('/api/parts');
  takeQuantities(answer.quantities);
  takeParts(answer);
}

/** What a parameter of that id is called, in whichever part. @param {string} id @returns {string | undefined} */
export const labelOf = (id) => [...kinds.values()].flatMap((kind) => kind.parameters).find((p) => p.id === id)?.label;

/** Whether a chain may have such a part, but only one, and need not have it. */
const canBeOnce = (kind) => !kind.many && (kind.slot === 'node' || kind.slot === 'world');

/** All kinds that a node may have several of; a ride comes with a rail, a recording is lifted. */
export const addable = (node) =>
  [...kinds.values()].filter(
    (k) =>
      k.nodes.includes(node.kind) &&
      ((k.many && k.slot !== 'space') || (canBeOnce(k) && !node.chain.some((p) => p.part === k.part))),
  );

export const familyOf = (id) => families.get(id);

export const allFamilies = () => [...families.values()];

/** @param {Part} part */
export const idOf = (part) => part.id ?? part.part;

/** @param {Part} part */
export const kindOf = (part) => kinds.get(part.part);

/** @param {Part} part */
export const isOn = (part) => part.on !== false;

/** @param {Node} node @returns {Part | undefined} */
export const partOf = (node, id) => node?.chain.find((part) => idOf(part) === id);

/** Puts what every chain has into a chain that came without. */
export function complete(node) {
  const chain = node.chain ?? [];
  if (!chain.some((p) => p.part === 'keys')) chain.unshift({ part: 'keys' });
  if (!chain.some((p) => p.part === 'carried')) {
    const own = chain.filter((part) => kinds.get(part.part)?.slot === 'own').length;
    chain.splice(Math.max(1, own), 0, { part: 'carried' });
  }
  node.chain = chain;
  return node;
}

/**
 * Who carries a node, one after another: the first without a frame, then the hand-overs.
 *
 * @param {Node} node
 * @returns {import('./types.js').Carrying[]}
 */
export const scheduleOf = (node) => partOf(node, 'carried')?.by ?? [];

/** @param {Node} node */
export const handOversOf = (node) => scheduleOf(node).slice(1);

/** The id of what carries a node first, or the empty text. @param {Node} node @returns {string} */
export const carrierOf = (node) => scheduleOf(node)[0]?.node ?? '';

/** The entry of the schedule that is in force at a frame. @param {Node} node @param {number} frame */
export const carryingAt = (node, frame) =>
  scheduleOf(node)
    .filter((each) => (each.frame ?? -Infinity) <= frame)
    .at(-1);

/** The id of what carries a node at a frame, or the empty text. @param {Node} node @param {number} frame */
export const carrierAt = (node, frame) => carryingAt(node, frame)?.node ?? '';

/** All that ever carries a node. @param {Node} node @returns {string[]} */
export const everCarrying = (node) => [...new Set(scheduleOf(node).map((each) => each.node ?? ''))].filter(Boolean);

/** Whether a place and a quaternion neither move nor turn. @param {number[]} offset */
export const isNothing = (offset) => offset.every((number, i) => number === (i === 6 ? 1 : 0));

/** The constant step between carrier and node at a frame: place and quaternion; or null. */
export function offsetAt(node, frame) {
  const { offset } = carryingAt(node, frame) ?? {};
  return offset && !isNothing(offset) ? offset : null;
}

/** The single frames that a part holds, each with what stands from there on. @param {Part} part */
export function stampsOf(part) {
  if (part.part === 'ride')
    return (part.pins ?? []).map(({ id, frame, anchor }) => ({ id, frame, anchor, joined: true }));
  if (part.part === 'shake') return (part.hits ?? []).map(({ id, frame }) => ({ id, frame, joined: true }));
  if (part.part === 'lens') return (part.pulls?.by ?? []).map((pull) => ({ ...pull, joined: true }));
  if (part.part !== 'carried') return [];
  return (part.by ?? []).slice(1).map(({ id, frame, node, offset }) => ({ id, frame, node, joined: !offset }));
}

/** The lens of a camera. */
export const lensOf = (node) => partOf(node, 'lens');

const NOTHING = { leftOut: [], locked: [] };

/** @param {Node} node @returns {import('./types.js').TakesKeys} */
export const takesKeysOf = (node) => node.takesKeys ?? NOTHING;

/** @param {Part} part */
const pathIn = (part, parameter) => (BARE.includes(part.part) ? parameter : `${idOf(part)}.${parameter}`);

/** The paths of a part's parameters. @param {Part} part @returns {string[]} */
export const pathsIn = (part) => kindOf(part).parameters.map((p) => pathIn(part, p.id));

/** All that can be keyed of a node, in the order of its chain. @param {Node} node @returns {string[]} */
export const pathsOf = (node) => node.chain.flatMap(pathsIn);

/** The part and the parameter that a path names in a node, or null. @param {Node} node @param {string} path */
function resolve(node, path) {
  const dot = path.indexOf('.');
  const parameter = path.slice(dot + 1);
  const candidates = dot < 0 ? BARE : [path.slice(0, dot)];
  for (const id of candidates) {
    const part = partOf(node, id);
    const found = part && kindOf(part).parameters.find((p) => p.id === parameter);
    if (found) return { part, parameter: found };
  }
  return null;
}

/** Whether a node has such a parameter. */
export const hasPath = (node, path) => resolve(node, path) !== null;

/** What stands at a path. @param {Node} node @param {string} path @returns {import('./types.js').Parameter} */
export const parameterOf = (node, path) => resolve(node, path).parameter;

/** The part that a path is in. @param {Node} node @param {string} path @returns {Part} */
export const partAt = (node, path) => resolve(node, path).part;

/** The curve at a path, or null where it is a still number. @param {Node} node @returns {Curve | null} */
export function curveAt(node, path) {
  const found = resolve(node, path);
  const curve = found?.part[found.parameter.id];
  return typeof curve === 'object' && curve !== null ? curve : null;
}

/** Parameters are drawn and measured on one axis if they are of one family. */
export const axisOf = (node, path) => parameterOf(node, path).family;

/** How an axis is called: by its unit, with the family where the unit is another's too or where there is none. */
export function axisName(id) {
  const { unit } = families.get(id);
  const first = allFamilies().find((family) => family.unit === unit);
  if (unit === '') return id;
  return first.id === id ? unit : `${id} ${unit}`;
}

/** How a path is called in a sentence: with the number of its part where there are several of the kind. */
export function pathName(node, path) {
  const { part, parameter } = resolve(node, path);
  const title = titleOf(node, part);
  return title.toLowerCase() === parameter.name
    ? title
    : BARE.includes(part.part)
      ? parameter.name
      : `${title} ${parameter.name}`;
}

/** Parts that are called after what they do. */
const BY_WAY = ['move', 'shake'];

/** What a part is called: the label of its kind, numbered where the chain has several. */
export function titleOf(node, part) {
  const byWay = BY_WAY.includes(part.part);
  const label = byWay ? part.way[0].toUpperCase() + part.way.slice(1) : kindOf(part).label;
  const same = node.chain.filter((p) => p.part === part.part && (!byWay || p.way === part.way));
  return same.length > 1 ? `${label} ${same.indexOf(part) + 1}` : label;
}

/** A number with the unit of a family. */
export function withUnit(family, value) {
  const { unit, digits } = families.get(family);
  const number = trimmed(value, digits);
  if (unit === 'f/') return `f/${number}`;
  return unit === '°' || unit === '' ? `${number}${unit}` : `${number} ${unit}`;
}

/** A value at a path with its unit. */
export const measured = (node, path, value) => withUnit(axisOf(node, path), value);

/** Whether a part is switched off. */
export const isOff = (node, id) => partOf(node, id)?.on === false;

/** Whether a part changes anything that could be switched off, or is switched off. */
export function canSwitch(node, part) {
  if (!isOn(part) || !kindOf(part).source) return true;
  if (part.part === 'carried') return everCarrying(node).length > 0;
  return Boolean(part.follow || part.pulls) || pathsIn(part).some((path) => curveAt(node, path)?.keys?.length > 0);
}

/** What of a camera's whole rig is switched off, in words. */
export function offInRig(store, id) {
  const camera = store.byId.get(id);
  return [...store.carriersOf(id), camera].flatMap((node) =>
    (node?.chain ?? [])
      .filter((part) => !isOn(part))
      .map((part) => `${node === camera ? '' : `${node.name}: `}${titleOf(node, part)} off`),
  );
}
