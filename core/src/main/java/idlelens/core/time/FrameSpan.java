package idlelens.core.time;

/**
 * A stretch of frames, both ends included, which may lie between whole frames.
 *
 * @param from first frame
 * @param to last frame
 */
public record FrameSpan(double from, double to) {}
