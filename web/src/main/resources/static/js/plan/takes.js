// What a press on the plan takes, and what is said of it beforehand: the one place that decides it.
import { PLACE } from '../shot/parts.js';

/**
 * What can be taken, the first before the others where several lie on one another. A chosen key and its handles come
 * before all other keys and handles; of two of another kind the selected one, and then what is drawn on top.
 *
 * @type {{kind: string, name: string}[]} the kind, and the attribute that names which one
 */
export const TAKES = [
  { kind: 'rail-handle', name: 'rail-handle' },
  { kind: 'anchor', name: 'anchor' },
  { kind: 'handle', name: 'handle' },
  { kind: 'key', name: 'key' },
  { kind: 'turn', name: 'turn' },
  { kind: 'axis', name: 'axis' },
  { kind: 'sign', name: 'id' },
  { kind: 'path', name: 'path' },
  { kind: 'rail', name: 'rail' },
  { kind: 'piece', name: 'id' },
  { kind: 'ground', name: 'id' },
];
const ORDER = TAKES.map(({ kind }) => kind);
/** Small things are taken from this far beside them too. */
const NEAR_PX = 4;
const SMALL = ['handle', 'key'];
const LINES = ['path', 'rail']; // which often lie on one another
const isLine = ({ kind }) => LINES.includes(kind);
const isSmall = ({ kind }) => SMALL.includes(kind);
const before = (a, b) => ORDER.indexOf(a.kind) < ORDER.indexOf(b.kind);
const BESIDE = [
  [0, 0],
  [NEAR_PX, 0],
  [-NEAR_PX, 0],
  [0, NEAR_PX],
  [0, -NEAR_PX],
];

/** @typedef {{kind: string, name: string, element: Element}} Take what is taken, and what it is called */

/** Attributes of an element that can be taken. @param {string} kind @param {string} name */
export function takeable(kind, name) {
  const { name: field } = TAKES[ORDER.indexOf(kind)];
  return { 'data-take': kind, [`data-${field}`]: name };
}

function takeOf(element) {
  const { take } = element.dataset ?? {};
  const known = TAKES[ORDER.indexOf(take)];
  return known ? { kind: take, name: element.getAttribute(`data-${known.name}`), element } : null;
}

export class Takes {
  constructor(plan) {
    this.plan = plan;
    this.over = null;
  }

  /** What a press at a place of the page would take, or null. @returns {Take | null} */
  at(x, y) {
    const all = BESIDE.flatMap(([dx, dy], i) =>
      document
        .elementsFromPoint(x + dx, y + dy)
        .filter((element) => this.plan.svg.contains(element))
        .map(takeOf)
        .filter((take) => take && (i === 0 || isSmall(take))),
    ).filter((take) => this.canBeTaken(take));
    if (!all.length) return null;
    return all.reduce((best, take) => (this.comesBefore(take, best) ? take : best));
  }

  /** Ground and water lie under everything: a press takes them only once they are selected in the list. */
  canBeTaken({ kind, name }) {
    return kind !== 'ground' || this.plan.desk.selection().includes(name);
  }

  comesBefore(a, b) {
    const [held, heldB] = [this.isInHand(a), this.isInHand(b)];
    const alike = [a, b].every(isSmall) || [a, b].every(isLine);
    if (a.kind !== b.kind && alike) return held === heldB ? before(a, b) : held;
    if (a.kind !== b.kind) return before(a, b);
    if (held !== heldB) return held;
    return a.kind === 'key' && this.farFromHead(a) < this.farFromHead(b);
  }

  /** Chosen keys and their handles, and what is selected. */
  isInHand({ kind, name }) {
    const { desk } = this.plan;
    const [id, frame] = name.split(' ');
    return isSmall({ kind }) ? desk.chosen.hasAny(id, PLACE, Number(frame)) : desk.selection().includes(id);
  }

  farFromHead({ name }) {
    return Math.abs(Number(name.split(' ')[1]) - this.plan.desk.frame);
  }

  /** Shows beforehand what a press would take: by the pointer's shape, and by the look of the thing. */
  show(take) {
    const { svg } = this.plan;
    if (this.over?.element !== take?.element) {
      this.over?.element.classList.remove('reached');
      take?.element.classList.add('reached');
    }
    this.over = take;
    const kind = take?.kind ?? 'nothing';
    if (svg.dataset.takes !== kind) svg.dataset.takes = kind;
  }
}
