/**
 * Filters over numbers and turns that are sampled once a frame: what lags behind, and what does
 * not. They know nothing of cameras; what jumps is cut into stretches before. Turns are unit
 * quaternions, continuous in sign. Looks only at {@code rule}.
 */
package idlelens.core.smooth;
