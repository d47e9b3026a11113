/**
 * What a receiver wants: axes, unit, rate, frame numbers, what the lens number means, keys, names.
 * A profile knows no format; a format keeps of it what it can hold.
 */
package idlelens.exchange.profile;
