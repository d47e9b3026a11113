/**
 * Keys and the curves through them. A frame is a double, a value is in the unit of its channel;
 * handles of a free key are offsets (frames, value) from it. Looks only at {@code rule}.
 */
package idlelens.core.curve;
