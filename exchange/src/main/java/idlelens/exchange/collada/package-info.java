/**
 * COLLADA 1.4.1 ({@code .dae}). Read by StAX with everything external off, into {@link
 * idlelens.exchange.collada.Element}s; times are seconds, angles degrees, matrices by rows for
 * column vectors.
 */
package idlelens.exchange.collada;
