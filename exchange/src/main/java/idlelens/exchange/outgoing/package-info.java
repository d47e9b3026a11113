/**
 * From a shot to a {@link idlelens.exchange.scenefile.SceneFile} for a receiver: which frames and
 * nodes go out, in whose axes, unit and names, with a key on every frame or few. Nothing here knows
 * which format the file will have.
 */
package idlelens.exchange.outgoing;
