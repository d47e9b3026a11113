package idlelens.core.curve;

/**
 * A place where a curve swings past the two keys around it.
 *
 * @param segment index of the key before it
 * @param frame where it is farthest out
 * @param value the value there
 * @param amount how far beyond the keys: positive above both, negative below both
 */
public record Overshoot(int segment, double frame, double value, double amount) {}
