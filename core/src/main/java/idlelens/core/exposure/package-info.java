/**
 * One frame as a camera takes it: from which points of its iris, at which moments while the shutter
 * is open, and where everything is then. Lengths in metres, times in frames, angles in radians.
 * Looks at {@code motion} and below.
 */
package idlelens.core.exposure;
