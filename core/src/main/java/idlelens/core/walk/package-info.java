/**
 * Walking the set with a camera on the shoulder: a body that follows the real triangles of the
 * ground, climbs what is low, stops at what is high, and jumps. Metres, seconds, degrees at the
 * edges; +Y up. Looks at {@code clearance}, {@code geometry}, {@code rule} and {@code time}.
 */
package idlelens.core.walk;
