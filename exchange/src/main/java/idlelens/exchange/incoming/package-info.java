/**
 * From a {@link idlelens.exchange.scenefile.SceneFile} to nodes of a shot: axes and unit, sizes
 * worked into places, keys kept where that is exact and sampled where it is not, lenses, pieces.
 * Nothing here knows which format a file had.
 *
 * <p>A null of the file becomes one that stands upright in our axes: {@code C W C^-1} for its
 * transform W in the file and the axes C; a camera or a sun keeps where it looks: {@code C W}.
 */
package idlelens.exchange.incoming;
