package idlelens.core.motion;

import idlelens.core.part.Part;
import idlelens.core.part.Recorded;
import idlelens.core.part.Shake;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What a layer of shake adds, channel by channel, and how often a second each really swings.
 *
 * @param offsets for each channel of {@link Shake#AMPLITUDES} one number a sample, in the unit of
 *     its amplitude and as far as its weight lets it, or nothing
 * @param hz frequency of each channel at the first sample: in a loop rounded to whole cycles; 0 of
 *     what was recorded
 */
public record ShakeTrace(List<Optional<double[]>> offsets, double[] hz) {
  /**
   * @param motion with the node in it
   * @throws RefusedException if the part does not shake
   */
  public static ShakeTrace of(Evaluation motion, String nodeId, String partId) {
    Part part = motion.shot().node(nodeId).chain().part(partId);
    PartTrack values = motion.of(nodeId).parts().get(partId);
    if (part instanceof Recorded recorded) {
      FrameRate rate = motion.shot().header().rate();
      return of(new Replaying(recorded, values, rate), values, recorded, new double[CHANNELS]);
    }
    return of(motion, values, shake(part));
  }

  /** The same layer with another seed. */
  public static ShakeTrace of(Evaluation motion, String nodeId, String partId, long seed) {
    Shake shake = shake(motion.shot().node(nodeId).chain().part(partId));
    Shake other = new Shake(shake.body(), shake.way(), seed, shake.loops(), shake.start());
    return of(motion, motion.of(nodeId).parts().get(partId), other);
  }

  private static final int CHANNELS = Shake.CHANNELS;

  private static Shake shake(Part part) {
    if (part instanceof Shake shake) {
      return shake;
    }
    throw new RefusedException("part", "'" + part.id() + "'", "a layer of shake");
  }

  private static ShakeTrace of(Evaluation motion, PartTrack values, Shake shake) {
    ShotHeader header = motion.shot().header();
    Shaking shaking = new Shaking(shake, values, header.rate(), header.range());
    double[] hz = new double[CHANNELS];
    for (int c = 0; c < CHANNELS; c++) {
      hz[c] = values.value(Shake.FREQUENCIES.get(c), 0) * shaking.cycles(c).stretch();
    }
    return of(shaking, values, shake, hz);
  }

  private static ShakeTrace of(Offsets bare, PartTrack values, Part part, double[] hz) {
    double[] share = new Shaken(bare, values, part.body().window(), true).shares();
    List<Optional<double[]>> offsets = new ArrayList<>();
    for (int c = 0; c < CHANNELS; c++) {
      double[] channel = bare.channel(c);
      for (int i = 0; channel != null && i < channel.length; i++) {
        channel[i] *= share[share.length == 1 ? 0 : i];
      }
      offsets.add(Optional.ofNullable(channel));
    }
    return new ShakeTrace(offsets, hz);
  }
}
