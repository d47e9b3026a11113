/** Triangles as octets: how imported pieces are stored and how the browser gets all of them. */
package idlelens.exchange.mesh;
