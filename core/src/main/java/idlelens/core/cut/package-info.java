/** Which camera is seen from which frame on. */
package idlelens.core.cut;
