/**
 * Takes: what a camera did in the world while somebody operated it, sample by sample. Looks at
 * {@code geometry}, {@code shake}, {@code time} and {@code rule}.
 */
package idlelens.core.take;
