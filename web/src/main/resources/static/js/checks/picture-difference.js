// How two pictures differ.

const OPAQUE = 255;
const CHANNELS = 4;

const read = (canvas) => canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height);

/**
 * The difference of two pictures of one size, raised so that it can be seen, and how large it is on average.
 *
 * @param {HTMLCanvasElement} first
 * @param {HTMLCanvasElement} other
 * @param {number} louder
 * @returns {{image: ImageData, percent: number}}
 */
export function differenceOf(first, other, louder) {
  const [image, b] = [read(first), read(other)];
  const { data } = image;
  let sum = 0;
  for (let i = 0; i < data.length; i++) {
    const off = Math.abs(data[i] - b.data[i]);
    if (i % CHANNELS !== CHANNELS - 1) sum += off;
    data[i] = i % CHANNELS === CHANNELS - 1 ? OPAQUE : Math.min(OPAQUE, off * louder);
  }
  return { image, percent: (100 * sum) / (OPAQUE * 3 * first.width * first.height) };
}
