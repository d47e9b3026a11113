package idlelens.core.part;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.shake.Blows;
import idlelens.core.shake.Noise;
import idlelens.core.shake.Ring;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** How a layer shakes. */
public sealed interface ShakeWay {
  /** The word in files and in the API. */
  default String word() {
    return getClass().getSimpleName().toLowerCase(Locale.ROOT);
  }

  /**
   * As a hand does: noise.
   *
   * @param octaves 1 to 8, each twice as fast as the one before
   * @param roughness strength of each octave to the one before, 0 to 1
   */
  record Handheld(int octaves, double roughness) implements ShakeWay {
    /** As a new layer is. */
    public static final Handheld USUAL = new Handheld(3, 0.4);

    public Handheld {
      Require.within(octaves, 1, Noise.MOST_OCTAVES, "shake.octaves");
      Require.within(roughness, 0, 1, "shake.roughness");
    }
  }

  /**
   * As the sea does: a wave in each channel.
   *
   * @param phasesDeg how far each channel is on at the start, in degrees, in the order of {@link
   *     Shake#AMPLITUDES}
   * @param beatHz how often a second it sinks and swells; 0 for never
   * @param beatDepth how much of it that takes away, 0 to 1
   */
  record Swell(List<Double> phasesDeg, double beatHz, double beatDepth) implements ShakeWay {
    /** Each channel a bit behind the one before. */
    public static final Swell USUAL =
        new Swell(List.of(0.0, 90.0, 200.0, 310.0, 60.0, 150.0, 0.0, 0.0), 0, 0.3);

    public Swell {
      phasesDeg = List.copyOf(phasesDeg);
      if (phasesDeg.size() != Shake.CHANNELS) {
        throw new RefusedException("shake.phases.count", phasesDeg.size(), "" + Shake.CHANNELS);
      }
      phasesDeg.forEach(p -> Require.within(p, -3600, 3600, "shake.phases"));
      Require.within(beatHz, 0, 10, "shake.beat");
      Require.within(beatDepth, 0, 1, "shake.beatDepth");
    }
  }

  /**
   * As a blow does: it rings and dies away.
   *
   * @param damping how soon, 0.05 to 0.99
   * @param hits when it is struck
   * @param strewn jolts at random times besides, if any: how many a second and how uneven
   */
  record Jolt(double damping, List<Hit> hits, Optional<Strewn> strewn) implements ShakeWay {
    /** The most hits of a layer. */
    public static final int MOST_HITS = 500;

    /** Struck once in two seconds or so. */
    public static final Jolt USUAL = new Jolt(0.15, List.of(), Optional.of(new Strewn(0.5, 0.6)));

    public Jolt {
      Require.within(damping, Ring.LEAST_DAMPING, Ring.MOST_DAMPING, "shake.damping");
      hits = List.copyOf(hits);
      Require.within(hits.size(), 0, MOST_HITS, "shake.hits.count");
      Require.present(strewn, "shake.strewn");
      if (hits.stream().map(Hit::id).distinct().count() != hits.size()) {
        throw new RefusedException("shake.hits", "one id twice", "each id once");
      }
    }

    Jolt withHits(List<Hit> others) {
      return new Jolt(damping, others, strewn);
    }
  }

  /**
   * Jolts at random times.
   *
   * @param aSecond how many come a second
   * @param unevenness how much weaker than the hardest they may be, 0 to 1
   */
  record Strewn(double aSecond, double unevenness) {
    public Strewn {
      Require.within(aSecond, 0.01, Blows.MOST_A_SECOND, "shake.rate");
      Require.within(unevenness, 0, 1, "shake.unevenness");
    }
  }
}
