// How the picture of a shot is laid out: its size in pixels, the guides and the mask over it.

/**
 * @typedef {{widthPx: number, pixelAspect: number, guides: string[], mask?: {aspect: number, opacity: number},
 *   grid: [number, number]}} PictureFrame
 */

/** @type {PictureFrame} */
const USUAL = { widthPx: 1920, pixelAspect: 1, guides: ['thirds'], grid: [6, 4] };

/** What a document says of it, with what it leaves out. @returns {PictureFrame} */
export const pictureFrame = (said) => ({ ...USUAL, ...said });

/** Pixels down. @param {PictureFrame} picture @param {number} aspect of the picture as it is shown */
export const heightPx = ({ widthPx, pixelAspect }, aspect) => Math.max(1, Math.round((widthPx * pixelAspect) / aspect));

/**
 * The guides by their names in the document, as they are called, with what they show.
 *
 * @type {[string, string, string][]}
 */
export const GUIDES = [
  ['thirds', 'Thirds', 'Width and height in three'],
  ['centre', 'Centre', 'The middle of the picture'],
  ['diagonals', 'Diagonals', 'From corner to corner'],
  ['golden', 'Golden section', 'Width and height in the golden section'],
  ['action-safe', 'Action safe', 'The 93 % in which action is seen everywhere'],
  ['title-safe', 'Title safe', 'The 90 % in which titles are seen everywhere'],
  ['level', 'Level and plumb', 'What is level and what is plumb, and how far the picture leans'],
  ['grid', 'Own grid', 'So many fields across and down'],
];

/** Aspects that a mask can show. @type {[number, string][]} */
export const MASKS = [
  [1.33, '1.33'],
  [1.66, '1.66'],
  [16 / 9, '16:9'],
  [1.85, '1.85'],
  [2, '2.00'],
  [2.39, '2.39'],
  [21 / 9, '21:9'],
  [9 / 16, '9:16'],
  [4 / 5, '4:5'],
  [1, '1:1'],
];
