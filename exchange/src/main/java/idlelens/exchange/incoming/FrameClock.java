package idlelens.exchange.incoming;

import idlelens.core.time.FrameRate;
import idlelens.exchange.scenefile.FileClock;

/**
 * Times of a file against frames of the shot.
 *
 * @param rate frames per second of the shot
 * @param firstFrame the frame at the first time of the file
 * @param file the time of the file
 */
record FrameClock(FrameRate rate, int firstFrame, FileClock file) {

  /** The frame at a time; times that float32 has shaken off a whole frame are put back on it. */
  double frame(double time) {
    double frame = rate.frames((time - file.first()) / file.ticksPerSecond());
    double whole = Math.rint(frame);
    double shaken = Math.max(1e-5, 2 * rate.frames(Math.ulp((float) time)) / file.ticksPerSecond());
    return firstFrame + (Math.abs(frame - whole) <= shaken ? whole : frame);
  }

  /** The time of a frame. */
  double time(double frame) {
    return file.first() + rate.seconds(frame - firstFrame) * file.ticksPerSecond();
  }

  /** Frames in one of the file's units of time. */
  double framesPerTick() {
    return rate.frames(1) / file.ticksPerSecond();
  }
}
