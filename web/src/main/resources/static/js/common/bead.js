// Beads: how keys are drawn, in the score and on curves, and how they are named in the page.

/**
 * The outline of a bead, from where the pen is: by tangent, and half where only some channels of a
 * pose are keyed.
 *
 * @param {Set<string>} tangents
 * @param {boolean} whole
 * @param {number} r half its size
 */
export function beadPath(tangents, whole = true, r = 5.5) {
  const kind = tangents.size === 1 ? [...tangents][0] : 'settle';
  if (!whole) return `m0 ${-r}a${r} ${r} 0 0 0 0 ${2 * r}z`;
  if (kind === 'hold') return `m${-0.82 * r} ${-0.82 * r}h${1.64 * r}v${1.64 * r}h${-1.64 * r}z`;
  if (kind === 'straight') return `m${-0.4 * r} ${-1.1 * r}h${0.8 * r}v${2.2 * r}h${-0.8 * r}z`;
  return `m${-r} 0a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`;
}

/** A key whose only tangent is free is a ring. */
export const isRing = (tangents) => tangents.size === 1 && tangents.has('free');

/** How a bead is named in the page: its node, what the row shows, its frame. */
export const beadName = ({ node, what }, frame) => `${node.id} ${what} ${frame}`;
