/** What shake and smoothing do to a shot, measured; and the feels that a production keeps. */
package idlelens.web.feel;
