package idlelens.core.motion;

import idlelens.core.curve.Curve;
import idlelens.core.curve.CurvePlayer;
import idlelens.core.curve.Key;
import idlelens.core.part.Hit;
import idlelens.core.part.Parameter;
import idlelens.core.part.Shake;
import idlelens.core.part.ShakeWay;
import idlelens.core.shake.Blow;
import idlelens.core.shake.Blows;
import idlelens.core.shake.Cycles;
import idlelens.core.shake.Loop;
import idlelens.core.shake.Noise;
import idlelens.core.shake.Ring;
import idlelens.core.shake.Wave;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The bare offsets of a layer of shake on a grid, channel by channel, before its weight. */
final class Shaking implements Offsets {
  private final Shake shake;
  private final PartTrack values;
  private final FrameRate rate;
  private final FrameRange range;
  private final Optional<Loop> loop;
  private final SampleGrid grid;

  /**
   * @param values its sampled parameters
   * @param range the frames over which it closes, where it loops
   */
  Shaking(Shake shake, PartTrack values, FrameRate rate, FrameRange range) {
    this.shake = shake;
    this.values = values;
    this.rate = rate;
    this.range = range;
    this.loop = shake.round(range);
    this.grid = values.grid();
  }

  @Override
  public double[] channel(int channel) {
    double[] amplitude = values.values(Shake.AMPLITUDES.get(channel));
    if (amplitude.length == 1 && amplitude[0] == 0) {
      return null;
    }
    double[] out = new double[grid.count()];
    if (shake.way() instanceof ShakeWay.Jolt jolt) {
      ring(jolt, channel, out);
      return out;
    }
    if (shake.way() instanceof ShakeWay.Handheld hand) {
      Cycles cycles = cycles(channel);
      double[] gone = new double[out.length];
      cycles.fill(grid, gone);
      new Noise(shake.seed(), channel, hand.octaves(), hand.roughness())
          .fill(gone, cycles.round(), out);
    } else {
      wave((ShakeWay.Swell) shake.way(), channel, out);
    }
    for (int i = 0; i < out.length; i++) {
      out[i] *= amplitude[amplitude.length == 1 ? 0 : i];
    }
    return out;
  }

  @Override
  public boolean sameAs(Offsets other) {
    return other instanceof Shaking that
        && rate.equals(that.rate)
        && settings(shake).equals(settings(that.shake))
        && (!shake.loops() || range.equals(that.range));
  }

  private static Object settings(Shake all) {
    return List.of(all.way(), all.seed(), all.loops(), all.start());
  }

  /** The cycles of a channel. */
  Cycles cycles(int channel) {
    return new Cycles(hz(channel), Shake.MOST_HZ, rate, shake.start(), loop);
  }

  private Curve hz(int channel) {
    return shake.curves().get(Shake.FREQUENCIES.get(channel));
  }

  private void wave(ShakeWay.Swell swell, int channel, double[] out) {
    double[] gone = new double[out.length];
    double[] beats = new double[out.length];
    cycles(channel).fill(grid, gone);
    new Cycles(Curve.still(swell.beatHz()), Shake.MOST_HZ, rate, shake.start(), loop)
        .fill(grid, beats);
    new Wave(swell.phasesDeg().get(channel), swell.beatHz() == 0 ? 0 : swell.beatDepth())
        .fill(gone, beats, out);
  }

  /** Each jolt is as strong and as fast as the curves are when it begins. */
  private void ring(ShakeWay.Jolt jolt, int channel, double[] out) {
    Parameter far = Shake.AMPLITUDES.get(channel);
    CurvePlayer strength = shake.curves().get(far).player();
    CurvePlayer hz = hz(channel).player();
    double longest = rate.frames(new Ring(jolting(lowest(channel)), jolt.damping()).seconds());
    for (Blow blow : blows(jolt, channel, grid.first() - longest)) {
      Ring ring = new Ring(jolting(hz.at(blow.frame())), jolt.damping());
      double hard = far.clamp(strength.at(blow.frame())) * blow.strength();
      if (loop.isPresent()) {
        addAgain(ring, blow.frame(), hard, out);
      } else {
        add(ring, blow.frame(), hard, out);
      }
    }
  }

  private static double jolting(double hz) {
    return Math.max(Ring.LEAST_HZ, Math.min(Shake.MOST_HZ, hz));
  }

  private double lowest(int channel) {
    Curve hz = hz(channel);
    return hz.keys().stream().mapToDouble(Key::value).min().orElse(hz.rest());
  }

  private void add(Ring ring, double begins, double hard, double[] out) {
    double step = grid.stepsPerFrame();
    int first = (int) Math.max(0, Math.ceil((begins - grid.first()) * step));
    double lasts = rate.frames(ring.seconds());
    int last = (int) Math.min(out.length - 1.0, (begins + lasts - grid.first()) * step);
    for (int i = first; i <= last; i++) {
      out[i] += hard * ring.at(rate.seconds(grid.frame(i) - begins));
    }
  }

  private void addAgain(Ring ring, double begins, double hard, double[] out) {
    Loop since = new Loop(begins, loop.orElseThrow().length());
    double round = rate.seconds(since.length());
    for (int i = 0; i < out.length; i++) {
      double seconds = rate.seconds(since.folded(grid.frame(i)) - begins);
      if (seconds <= ring.seconds()) {
        out[i] += hard * ring.again(seconds, round);
      }
    }
  }

  /** All that begin from a frame to the end of the grid, or in a round. */
  private List<Blow> blows(ShakeWay.Jolt jolt, int channel, double from) {
    List<Blow> all = new ArrayList<>();
    for (Hit hit : jolt.hits()) {
      all.add(new Blow(loop.map(l -> l.folded(hit.frame())).orElse(hit.frame()), 1));
    }
    jolt.strewn()
        .map(s -> new Blows(shake.seed(), s.aSecond(), s.unevenness()))
        .ifPresent(s -> all.addAll(strewn(s, channel, from)));
    return all;
  }

  private List<Blow> strewn(Blows blows, int channel, double from) {
    return loop.isPresent()
        ? blows.in(loop.get(), channel, rate, shake.start())
        : blows.between(from, grid.last(), channel, rate, shake.start());
  }
}
