/** Tables of text: beats that become markers. */
package idlelens.exchange.csv;
