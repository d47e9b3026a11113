/** What the cameras of a shot do, on paper. */
package idlelens.exchange.report;
