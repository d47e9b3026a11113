/** Plates that go along with a hand-off: what our camera saw, with marks at places of the set. */
package idlelens.exchange.plates;
