/**
 * Pieces of a set: stand-ins with real sizes, and the triangles they are drawn and written with.
 * Metres; +Y up; a piece stands on its origin, its front towards -Z. Looks only at {@code geometry}
 * and {@code rule}.
 */
package idlelens.core.set;
