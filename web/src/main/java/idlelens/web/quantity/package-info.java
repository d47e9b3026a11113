/** Typed numbers, read for the fields of the pages. */
package idlelens.web.quantity;
