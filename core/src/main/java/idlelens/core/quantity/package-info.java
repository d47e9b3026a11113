/**
 * Numbers as people type them: with units, as sums, as timecode. Looks at {@code rule} and {@code
 * time}.
 */
package idlelens.core.quantity;
