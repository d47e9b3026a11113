/**
 * From the document to motion: tracks over a grid of samples, the stages that make them, and the
 * evaluator that keeps what an edit did not touch. Radians and metres. Looks at {@code scene} and
 * what it looks at.
 */
package idlelens.core.motion;
