/**
 * Walking the set with a camera on the shoulder: a body that follows the real triangles of the
 * ground, climbs what is low, stops at what is high, and jumps. Metres, seconds, degrees at the
 * edges; +Y up. Looks at {@code check} for the obstacles of a set, and at what that looks at.
 */
package idlelens.core.walk;
