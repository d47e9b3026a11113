/**
 * How near something comes to the triangles of a set: a tree of boxes over the triangles of a
 * piece, distances of points and of triangles to them, and whether a way crosses them. Metres, in
 * the own space of each piece. Looks at {@code geometry}, {@code set} and {@code rule}.
 */
package idlelens.core.clearance;
