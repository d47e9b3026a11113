// The plates that came along, one picture a frame, and what is told of them.
import { addressOf, fetched } from './reading.js';

const TOLD = 'plates/plates.json';

/**
 * @typedef {object} Told of the plates
 * @property {string} camera the name of the one that sees them
 * @property {number} width in pixels
 * @property {number} height in pixels
 * @property {number} rate frames a second
 * @property {number} first the first frame
 * @property {number} count of frames
 * @property {{colour: string, at: [number, number, number]}[]} marks with their places in metres, Y up
 */

/**
 * @param {string[]} names of all that was handed over
 * @returns {Promise<Told | null>} null if no plates came along
 */
export async function plates(names) {
  return names.includes(TOLD) ? (await fetched(TOLD)).json() : null;
}

/** @param {number} frame */
const nameOf = (frame) => `plates/${frame}.png`;

/** @param {number} frame */
export const plateAddress = (frame) => addressOf(nameOf(frame));

/**
 * @param {number} frame
 * @returns {Promise<ImageData>} its numbers as they are in the file
 */
export async function platePixels(frame) {
  const blob = await (await fetched(nameOf(frame))).blob();
  const picture = await createImageBitmap(blob, { colorSpaceConversion: 'none' });
  const canvas = new OffscreenCanvas(picture.width, picture.height);
  const pen = canvas.getContext('2d', { willReadFrequently: true });
  pen.drawImage(picture, 0, 0);
  return pen.getImageData(0, 0, picture.width, picture.height);
}
