/**
 * The open chain: the parts through which a node's motion passes, their parameters, and the paths
 * by which edits, score and curves name what can be keyed. A new part is a record here, with its
 * kind in {@code Parts}. Metres, degrees and millimetres, as in the document. Looks at {@code
 * curve}, {@code geometry}, {@code lens}, {@code quantity} and {@code rule}.
 */
package idlelens.core.part;
