/** All formats that there are, in one list; a new one adds its line here and nowhere else. */
package idlelens.exchange.formats;
