/** Whether both sides agree: a file read back, and held against the shot it was made of. */
package idlelens.exchange.transfer;
