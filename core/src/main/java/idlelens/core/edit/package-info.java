/**
 * What an artist can do to a shot: one small record each, from shot to shot, with an inverse. Looks
 * at {@code scene} and {@code motion}.
 */
package idlelens.core.edit;
