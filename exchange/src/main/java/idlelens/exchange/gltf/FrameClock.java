package idlelens.exchange.gltf;

import idlelens.core.time.FrameRate;

/** Seconds of a file against frames of the shot. */
record FrameClock(FrameRate rate, int firstFrame) {

  /** The frame at a time; times that float32 has shaken off a whole frame are put back on it. */
  double frame(double seconds) {
    double frame = rate.frames(seconds);
    double whole = Math.rint(frame);
    double shaken = Math.max(1e-5, 2 * rate.frames(Math.ulp((float) seconds)));
    return firstFrame + (Math.abs(frame - whole) <= shaken ? whole : frame);
  }

  double seconds(double frame) {
    return rate.seconds(frame - firstFrame);
  }
}
