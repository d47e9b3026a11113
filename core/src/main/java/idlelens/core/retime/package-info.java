/**
 * Moving keys in time: maps from the frame a thing happens at to the frame it shall happen at, and
 * what they make of a curve. Looks at {@code curve}, {@code time} and {@code rule}.
 */
package idlelens.core.retime;
