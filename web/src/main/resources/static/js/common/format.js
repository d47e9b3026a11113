// Numbers as shown. A minus sign is a real one; nothing is shown as minus zero.

export function fixed(value, digits) {
  const text = value.toFixed(digits);
  const plain = Number(text) === 0 ? (0).toFixed(digits) : text;
  return plain.replace('-', '−');
}

/** A number without needless zeros, at most so many digits after the point. */
export function trimmed(value, digits) {
  const text = fixed(value, digits);
  return text.includes('.') ? text.replace(/\.?0+$/, '') : text;
}

export const degrees = (value) => `${fixed(value, 1)}°`;
export const stop = (value) => `f/${trimmed(value, 1)}`;
export const millimetres = (value) => `${trimmed(value, 1)} mm`;

/** @type {[number, string][]} */
const ASPECTS = [
  [16 / 9, '16:9'],
  [21 / 9, '21:9'],
  [9 / 16, '9:16'],
  [0.8, '4:5'],
  [1, '1:1'],
  [4 / 3, '1.33'],
];
export function aspectName(aspect) {
  const known = ASPECTS.find(([value]) => Math.abs(value - aspect) < 1e-6);
  return known ? known[1] : aspect.toFixed(2);
}

export function rateLabel(rate) {
  const [n, d] = rate.split('/').map(Number);
  return d ? `${(n / d).toFixed(3)} fps` : `${n} fps`;
}

export function framesPerSecond(rate) {
  const [n, d] = rate.split('/').map(Number);
  return n / (d || 1);
}
