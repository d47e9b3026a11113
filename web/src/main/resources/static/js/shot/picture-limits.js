// What pictures may be, and how what they are not is said.
import { Problem } from '../common/api.js';

/** The most pictures that play one after another. */
export const MOST_PICTURES = 2000;

/** The most octets of one. */
export const MOST_OCTETS = 16 * 2 ** 20;

/** The most octets of all that come out of one zip: they are held while they are sent. */
export const MOST_UNZIPPED = 2 ** 31;

/** A refusal of a file, in words. */
export const refusal = (name, found, allowed) =>
  new Problem(422, { detail: `${name} is ${found}; allowed: ${allowed}` });
