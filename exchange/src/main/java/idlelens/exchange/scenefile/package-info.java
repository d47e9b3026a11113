/**
 * What stands between the formats and our document: nodes with their transforms over the time of
 * the file, lenses, geometry and lights, in the file's own axes and unit, with notes on what was
 * left out. A format turns octets into this and this into octets; it knows nothing of shots.
 *
 * <p>Transforms are for column vectors: {@code p_world = M p}. A camera looks along its own -Z with
 * +Y up, unless {@link idlelens.exchange.scenefile.Rest#LEVEL} is said.
 */
package idlelens.exchange.scenefile;
