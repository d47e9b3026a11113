package idlelens.web.feel;

import idlelens.core.check.Calm;
import idlelens.core.check.Effect;
import idlelens.core.check.Smoothness;
import idlelens.core.check.Spectrum;
import idlelens.core.motion.ShakeTrace;
import idlelens.core.part.Shake;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Optional;
import java.util.function.LongFunction;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** What parts do, as JSON. */
final class EffectJson {
  private static final double ROUNDED = 1e6;
  private static final int FEWEST = 4;

  private EffectJson() {}

  static ObjectNode of(long revision, int first, Effect effect) {
    ObjectNode out = JsonNodeFactory.instance.objectNode().put("revision", revision);
    out.put("first", first);
    amount(out.putObject("place"), effect.place());
    ArrayNode each = ((ObjectNode) out.get("place")).putArray("each");
    effect.place().each().forEach(m -> each.add(Math.rint(m * ROUNDED) / ROUNDED));
    amount(out.putObject("turn"), effect.turn());
    effect.picture().ifPresent(p -> amount(out.putObject("picture"), p));
    return out;
  }

  static ObjectNode of(Calm calm) {
    ObjectNode out = JsonNodeFactory.instance.objectNode().put("frame", calm.frame());
    return out.put("placeM", calm.placeM()).put("turnDeg", calm.turnDeg());
  }

  private static void amount(ObjectNode out, Effect.Amount amount) {
    out.put("largest", amount.largest()).put("frame", amount.frame()).put("rms", amount.rms());
  }

  static void add(ObjectNode out, Smoothness smoothness) {
    out.put("lagFrames", smoothness.lagFrames()).put("restFrames", smoothness.restFrames());
    jerk(out.putObject("jerkBefore"), smoothness.before());
    jerk(out.putObject("jerkAfter"), smoothness.after());
  }

  private static void jerk(ObjectNode out, Smoothness.Jerk jerk) {
    out.put("place", jerk.place()).put("turn", jerk.turn());
  }

  static void add(ObjectNode out, Shot shot, ShakeTrace trace) {
    ObjectNode channels = out.putObject("channels");
    for (int c = 0; c < Shake.CHANNELS; c++) {
      Optional<double[]> offsets = trace.offsets().get(c);
      if (offsets.isEmpty()) {
        continue;
      }
      ObjectNode channel = channels.putObject(Shake.AMPLITUDES.get(c).id());
      channel.put("hz", trace.hz()[c]);
      column(channel.putArray("offsets"), offsets.get());
      if (offsets.get().length >= FEWEST) {
        Spectrum spectrum = Spectrum.of(offsets.get(), shot.header().rate());
        channel.put("dominantHz", spectrum.dominantHz());
        column(channel.putArray("spectrumHz"), spectrum.hz());
        column(channel.putArray("spectrum"), spectrum.strength());
      }
    }
  }

  static ObjectNode seeds(List<Long> seeds, LongFunction<ShakeTrace> traced) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    ArrayNode all = out.putArray("seeds");
    for (long seed : seeds) {
      ObjectNode each = all.addObject().put("seed", seed);
      ArrayNode offsets = each.putArray("offsets");
      widest(traced.apply(seed)).ifPresent(o -> column(offsets, o));
    }
    return out;
  }

  /** The turn that goes farthest, or, where nothing turns, the place. */
  private static Optional<double[]> widest(ShakeTrace trace) {
    for (int from : new int[] {3, 0, 6}) {
      Optional<double[]> best = Optional.empty();
      for (int c = from; c < Math.min(Shake.CHANNELS, from + 3); c++) {
        Optional<double[]> next = trace.offsets().get(c);
        if (next.isPresent() && (best.isEmpty() || most(next.get()) > most(best.get()))) {
          best = next;
        }
      }
      if (best.isPresent()) {
        return best;
      }
    }
    return Optional.empty();
  }

  private static double most(double[] values) {
    double most = 0;
    for (double value : values) {
      most = Math.max(most, Math.abs(value));
    }
    return most;
  }

  private static void column(ArrayNode out, double[] values) {
    for (double value : values) {
      out.add(Math.rint(value * ROUNDED) / ROUNDED);
    }
  }
}
