/**
 * Looking over a shot: what creeps, what swings past its keys, how fast it goes, how two of its
 * states differ. Finds and measures; changes nothing. Looks at {@code scene}, {@code motion} and
 * {@code clearance}.
 */
package idlelens.core.check;
