/** Benchmarks of core and exchange; run by hand, not part of the tests. */
package idlelens.bench;
