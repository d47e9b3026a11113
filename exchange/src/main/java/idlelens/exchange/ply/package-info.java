/** Polygon files ({@code .ply}): meshes and clouds of points, read only. */
package idlelens.exchange.ply;
