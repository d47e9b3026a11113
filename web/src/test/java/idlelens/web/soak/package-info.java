/**
 * The service under everything that was ever done to it, at length: {@code bin/soak} runs {@link
 * idlelens.web.soak.Soak}, the test run a short round of each.
 */
package idlelens.web.soak;
