/**
 * Rigid poses and turns. Right-handed, +Y up, metres, radians; a camera looks along its own -Z.
 * Turn is pan about Y, tilt about X, roll about Z: {@code R = Ry(pan) Rx(tilt) Rz(roll)}. Looks
 * only at {@code rule} and JOML.
 */
package idlelens.core.geometry;
