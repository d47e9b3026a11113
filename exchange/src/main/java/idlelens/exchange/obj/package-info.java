/** Wavefront {@code .obj}: set pieces, read only. */
package idlelens.exchange.obj;
