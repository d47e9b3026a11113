/**
 * What shakes: gradient noise, waves, jolts and recorded motion, as bare numbers over time. Cycles
 * are counted from a start; times are in frames of the shot or in seconds, as each says. Knows
 * nothing of cameras. Computed so that every machine gets the same numbers. Looks only at {@code
 * seed}, {@code time} and {@code rule}.
 */
package idlelens.core.shake;
