/**
 * Frames, rates and the grid on which motion is sampled. Frames are doubles; whole numbers fall on
 * frames of the shot. Times are in seconds. Looks only at {@code rule}.
 */
package idlelens.core.time;
