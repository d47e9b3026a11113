/** What all readers share: the refusal of a file, and the report of what was left out. */
package idlelens.exchange.format;
