package idlelens.core.motion;

import idlelens.core.part.Shake;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.ShotHeader;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What a layer of shake adds, channel by channel, and how often a second each really swings.
 *
 * @param offsets for each channel of {@link Shake#AMPLITUDES} one number a sample, in the unit of
 *     its amplitude and as far as its weight lets it, or nothing
 * @param hz frequency of each channel at the first sample: in a loop rounded to whole cycles
 */
public record ShakeTrace(List<Optional<double[]>> offsets, double[] hz) {
  /**
   * @param motion with the node in it
   * @throws RefusedException if the part is no shake
   */
  public static ShakeTrace of(Evaluation motion, String nodeId, String partId) {
    return of(motion, motion.of(nodeId).parts().get(partId), shake(motion, nodeId, partId));
  }

  /** The same layer with another seed. */
  public static ShakeTrace of(Evaluation motion, String nodeId, String partId, long seed) {
    Shake shake = shake(motion, nodeId, partId);
    Shake other = new Shake(shake.body(), shake.way(), seed, shake.loops(), shake.start());
    return of(motion, motion.of(nodeId).parts().get(partId), other);
  }

  private static Shake shake(Evaluation motion, String nodeId, String partId) {
    if (motion.shot().node(nodeId).chain().part(partId) instanceof Shake shake) {
      return shake;
    }
    throw new RefusedException("part", "'" + partId + "'", "a layer of shake");
  }

  private static ShakeTrace of(Evaluation motion, PartTrack values, Shake shake) {
    ShotHeader header = motion.shot().header();
    Shaken stage = new Shaken(shake, values, header.rate(), header.range(), true);
    Shaking shaking = new Shaking(shake, values, header.rate(), header.range());
    double[] share = stage.shares();
    List<Optional<double[]>> offsets = new ArrayList<>();
    double[] hz = new double[Shake.CHANNELS];
    for (int c = 0; c < Shake.CHANNELS; c++) {
      double[] channel = shaking.channel(c);
      for (int i = 0; channel != null && i < channel.length; i++) {
        channel[i] *= share[share.length == 1 ? 0 : i];
      }
      offsets.add(Optional.ofNullable(channel));
      double asked = values.value(Shake.FREQUENCIES.get(c), 0);
      hz[c] = asked * shaking.cycles(c).stretch();
    }
    return new ShakeTrace(offsets, hz);
  }
}
