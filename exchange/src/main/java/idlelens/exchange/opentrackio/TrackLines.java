package idlelens.exchange.opentrackio;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.OffsetRecorder;
import idlelens.core.rule.RefusedException;
import idlelens.core.shake.Recording;
import idlelens.exchange.format.FormatException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/** Lines of OpenTrackIO as a recording: each pose seen from the first one. */
public final class TrackLines {
  private TrackLines() {}

  /**
   * @throws FormatException naming the line; also where numbers of samples are left out, or no line
   *     says how many samples a second there are
   */
  public static Recording read(byte[] file) throws FormatException {
    List<TrackSample> samples = samples(text(file));
    double rate = rate(samples);
    RigidPose back = samples.get(0).pose().inverse();
    TrackSample first = samples.get(0);
    OffsetRecorder recorder = new OffsetRecorder();
    for (TrackSample sample : samples) {
      recorder.add(
          back.times(sample.pose()),
          sample.focalMm().orElse(0) - first.focalMm().orElse(0),
          sample.focusM().orElse(0) - first.focusM().orElse(0));
    }
    try {
      return recorder.done(rate);
    } catch (RefusedException e) {
      throw new FormatException(e.where(), e.found(), e.allowed());
    }
  }

  private static String text(byte[] file) throws FormatException {
    try {
      return StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(file)).toString();
    } catch (CharacterCodingException e) {
      throw new FormatException("file", "not text", "OpenTrackIO lines in UTF-8");
    }
  }

  private static List<TrackSample> samples(String text) throws FormatException {
    List<TrackSample> all = new ArrayList<>();
    String[] lines = text.split("\\R", Recording.MOST_SAMPLES + 2);
    for (int i = 0; i < lines.length; i++) {
      if (lines[i].isBlank()) {
        continue;
      }
      if (all.size() == Recording.MOST_SAMPLES) {
        String most = "at most " + Recording.MOST_SAMPLES;
        throw new FormatException("lines", "more than " + Recording.MOST_SAMPLES, most);
      }
      TrackSample next = sample(lines[i], i + 1);
      requireNext(all, next, i + 1);
      all.add(next);
    }
    if (all.size() < 2) {
      throw new FormatException("lines", all.size(), "at least two samples");
    }
    return all;
  }

  private static TrackSample sample(String line, int number) throws FormatException {
    try {
      return TrackSample.read(line);
    } catch (FormatException e) {
      throw new FormatException("line " + number + ", " + e.where(), e.found(), e.allowed());
    }
  }

  private static void requireNext(List<TrackSample> all, TrackSample next, int line)
      throws FormatException {
    if (all.isEmpty() || next.number().isEmpty()) {
      return;
    }
    TrackSample last = all.get(all.size() - 1);
    if (last.number().isPresent() && next.number().getAsLong() != last.number().getAsLong() + 1) {
      throw new FormatException(
          "line " + line + ", timing.sequenceNumber",
          next.number().getAsLong(),
          (last.number().getAsLong() + 1) + ", as the sample before says");
    }
  }

  private static double rate(List<TrackSample> samples) throws FormatException {
    for (TrackSample sample : samples) {
      if (sample.rateHz().isPresent()) {
        return sample.rateHz().getAsDouble();
      }
    }
    throw new FormatException("timing.sampleRate", "said by no line", "samples a second");
  }
}
