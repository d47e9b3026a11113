/**
 * Operating a camera by hand: walking the set, listening to a tracker, and the takes that come of
 * it.
 */
package idlelens.web.operate;
