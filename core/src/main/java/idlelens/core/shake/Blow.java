package idlelens.core.shake;

/**
 * A jolt as it begins.
 *
 * @param frame when
 * @param strength how hard and which way, -1 to 1
 */
public record Blow(double frame, double strength) {}
