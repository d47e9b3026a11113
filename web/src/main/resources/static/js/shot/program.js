// Which camera is seen when: the first cut holds for all frames before it too.

/** @typedef {{frame: number, camera: string, dissolve?: number}} Cut */

/** The cut in force, by its place; -1 where there is none. @param {Cut[]} cuts @param {number} frame */
export function cutIndexAt(cuts, frame) {
  if (!cuts.length) return -1;
  let [first, later] = [0, cuts.length];
  while (later - first > 1) {
    const middle = (first + later) >> 1;
    if (cuts[middle].frame <= frame) first = middle;
    else later = middle;
  }
  return first;
}

/** The camera that the program shows at a frame, or null. @param {Cut[]} cuts @param {number} frame */
export const cameraAt = (cuts, frame) => cuts[cutIndexAt(cuts, frame)]?.camera ?? null;

/** While one camera fades in over another: the one that goes, and the share of the one that comes; or null. */
export function fadeAt(cuts, frame) {
  const i = cutIndexAt(cuts, frame);
  const { frame: from, dissolve = 0 } = cuts[i] ?? {};
  if (i < 1 || frame >= from + dissolve) return null;
  return { from: cuts[i - 1].camera, share: (Math.floor(frame - from) + 0.5) / dissolve };
}

/**
 * What is seen over the frames of a shot, each camera with its first and its last frame.
 *
 * @param {Cut[]} cuts
 */
export function stretchesOf(cuts, first, last) {
  return cuts
    .map(({ camera, frame, dissolve = 0 }, i) => ({
      camera,
      dissolve,
      frame,
      from: i === 0 ? first : Math.max(first, frame),
      to: Math.min(last, (cuts[i + 1]?.frame ?? Infinity) - 1),
    }))
    .filter(({ from, to }) => from <= to);
}

/** What the program says of a camera at a frame, in words. @param {Cut[]} cuts @param {string} camera */
export function programWords(cuts, camera, frame, last) {
  if (!cuts.length) return '';
  const i = cutIndexAt(cuts, frame);
  if (cuts[i].camera !== camera) return 'not in the program here';
  const until = cuts[i + 1] ? cuts[i + 1].frame - 1 : last;
  return `in the program until ${until}`;
}
