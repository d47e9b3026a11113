/**
 * A receiver for hand-offs, as another program would be one: it shares no code with the rest, reads
 * cameras with the loaders of three.js, and serves a page on loopback that holds its picture
 * against the plates that came along.
 */
package idlelens.receiver;
