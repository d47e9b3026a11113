// The unit in which a person reads lengths; kept in the browser.
import { fixed, trimmed } from './format.js';

const KEPT = 'idle-lens length unit';
const INCH_M = 0.0254;
const INCHES_A_FOOT = 12;

/** Units of length: how many metres one is, and how many digits fewer than metres it takes. */
export const LENGTH_UNITS = {
  m: { name: 'metres', metres: 1, fewer: 0 },
  cm: { name: 'centimetres', metres: 0.01, fewer: 2 },
  mm: { name: 'millimetres', metres: 0.001, fewer: 3 },
  ft: { name: 'feet and inches', metres: 0.3048, fewer: 1 },
};

/** Announces 'length' when the unit is changed. */
export const units = new EventTarget();

export const lengthUnit = () => (localStorage.getItem(KEPT) in LENGTH_UNITS ? localStorage.getItem(KEPT) : 'm');

export function setLengthUnit(unit) {
  localStorage.setItem(KEPT, unit);
  units.dispatchEvent(new Event('length'));
}

function feetAndInches(metres, digits) {
  const inches = Number((Math.abs(metres) / INCH_M).toFixed(digits));
  const feet = Math.floor(inches / INCHES_A_FOOT);
  const sign = metres < 0 && inches > 0 ? '−' : '';
  return `${sign}${feet}' ${trimmed(inches - feet * INCHES_A_FOOT, digits)}"`;
}

/** The number of a length as it stands in a field, whose unit stands behind it. @param digits of metres */
export function lengthNumber(metres, digits) {
  const unit = lengthUnit();
  if (unit === 'ft') return feetAndInches(metres, Math.max(0, digits - 1));
  const { metres: one, fewer } = LENGTH_UNITS[unit];
  return trimmed(metres / one, Math.max(0, digits - fewer));
}

/** A length with its unit. */
export function lengthText(metres, digits = 2) {
  if (!Number.isFinite(metres)) return '∞';
  const unit = lengthUnit();
  if (unit === 'ft') return feetAndInches(metres, Math.max(0, digits - 1));
  const { metres: one, fewer } = LENGTH_UNITS[unit];
  return `${fixed(metres / one, Math.max(0, digits - fewer))} ${unit}`;
}

/** Two lengths with the unit once, where the unit allows it. */
export function lengthRange(from, to, digits = 2) {
  const first = lengthText(from, digits);
  return lengthUnit() === 'ft'
    ? `${first} – ${lengthText(to, digits)}`
    : `${first.split(' ')[0]}–${lengthText(to, digits)}`;
}
