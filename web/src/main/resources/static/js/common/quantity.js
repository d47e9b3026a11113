// Typed numbers: a plain one, with a unit or without, is read here; sums and timecode are read by the server.
import { framesPerSecond } from './format.js';

/** What one of each unit is in the base unit, by what is measured. @type {Record<string, Record<string, number>>} */
let quantities = {};

/** Takes the units that the server knows. */
export function takeQuantities(answer) {
  quantities = answer;
}

const PLAIN = /^([+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+))\s*([A-Za-z°%"]*)$/;

/** The factor of a typed unit, or undefined if it is none of that quantity. */
function factorOf(unit, quantity, rate) {
  if (quantity === 'frames' && unit.toLowerCase() === 's') return framesPerSecond(rate);
  if (quantity === 'length' && unit === '"') return quantities.length.in;
  return quantities[quantity]?.[unit.toLowerCase()];
}

/**
 * A plain number in the base unit, or null where it takes more than that to read it.
 *
 * @param {string} text
 * @param {string} quantity what it measures
 * @param {string} rate of the shot
 * @param {string} bareUnit the unit of a number without one, or the empty text
 */
export function readPlain(text, quantity, rate, bareUnit = '') {
  const match = PLAIN.exec(text.trim().replace('−', '-').replace(/^f\//, ''));
  if (!match) return null;
  const unit = match[2] || bareUnit;
  const factor = unit === '' ? 1 : factorOf(unit, quantity, rate);
  return factor === undefined ? null : Number(match[1].replace(',', '.')) * factor;
}
