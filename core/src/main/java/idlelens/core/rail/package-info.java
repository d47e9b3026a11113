/**
 * Rails: anchors with tangents, their spans as cubic Beziers, length along them, frames that turn
 * as little as they can, and rails fitted to strokes. Metres and radians, in the rail's own space:
 * right-handed, +Y up. Looks at nothing above {@code rule}.
 */
package idlelens.core.rail;
