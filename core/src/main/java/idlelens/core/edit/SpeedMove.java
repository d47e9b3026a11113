package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.part.Curves;
import idlelens.core.part.Ease;
import idlelens.core.part.Hit;
import idlelens.core.part.Move;
import idlelens.core.part.Parameter;
import idlelens.core.part.Part;
import idlelens.core.part.Shake;
import idlelens.core.part.ShakeWay;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Adds moves that are felt as speed, and what they end in, as cards of their own: each can be set,
 * slid, weighted and taken away by itself afterwards.
 *
 * @param id the node
 * @param kind which
 * @param from first frame
 * @param to last frame, later than the first
 * @param amount degrees, metres or millimetres, as the kind says
 * @param newId what the ids of the cards begin with
 */
public record SpeedMove(String id, Kind kind, double from, double to, double amount, String newId)
    implements Edit {
  /** What is felt. */
  public enum Kind {
    /** A pan by so many degrees, off at once, that swings a little past its end. */
    WHIP_PAN("Whip pan"),
    /** A dolly by so many metres, ever faster, that ends in a jolt. */
    SLAM("Slam"),
    /** A zoom by so many millimetres, ever faster, that ends in a jolt; cameras only. */
    SLAM_ZOOM("Slam zoom"),
    /** A dolly by so many metres, fast at both ends and slow between. */
    FAST_SLOW_FAST("Fast, slow, fast");

    private final String label;

    Kind(String label) {
      this.label = label;
    }
  }

  /** Parts of the length in which a whip pan sets off and comes to rest. */
  private static final double WHIP_IN = 0.35;

  private static final double WHIP_OUT = 0.3;

  /** Part of its degrees by which a whip pan swings past. */
  private static final double SWINGS = 0.02;

  private static final double MOST_SWING_DEG = 1.5;

  /** Part of the way that is gone evenly, and of the time in which each end is fast. */
  private static final double EVEN = 0.3;

  private static final double FAST = 0.35;

  public SpeedMove {
    Require.present(id, "id");
    Require.present(kind, "kind");
    Require.within(from, -1e7, 1e7, "from");
    if (!(to > from)) {
      throw new RefusedException("to", to, "a frame after the first (" + from + ")");
    }
    Require.within(amount, -1e6, 1e6, "amount");
    Require.present(newId, "newId");
  }

  @Override
  public Shot apply(Shot shot) {
    Shot next = shot;
    for (Part part : parts()) {
      next = new AddPart(id, part).apply(next);
    }
    return next;
  }

  /** The cards that it adds. */
  private List<Part> parts() {
    double length = to - from;
    return switch (kind) {
      case WHIP_PAN ->
          List.of(
              move(1, Move.Way.PAN, amount, from, to, WHIP_IN * length, WHIP_OUT * length),
              jolt(
                  to - WHIP_OUT * length / 3,
                  0.35,
                  Map.of("pan", new double[] {swing(), 3}, "tilt", new double[] {0.15, 5})));
      case SLAM ->
          List.of(
              move(1, Move.Way.DOLLY, amount, from, to, length, 0),
              jolt(
                  to,
                  0.22,
                  Map.of(
                      "z", new double[] {-4 * Math.signum(amount), 5},
                      "y", new double[] {1.5, 7},
                      "tilt", new double[] {0.6, 6})));
      case SLAM_ZOOM ->
          List.of(
              move(1, Move.Way.ZOOM, amount, from, to, length, 0),
              jolt(
                  to,
                  0.22,
                  Map.of(
                      "focal", new double[] {0.04 * amount, 5},
                      "tilt", new double[] {0.4, 6},
                      "roll", new double[] {0.3, 4})));
      case FAST_SLOW_FAST -> fastSlowFast(length);
    };
  }

  /** An even way, and on top of it one at each end that gives way to it. */
  private List<Part> fastSlowFast(double length) {
    double fast = FAST * length;
    double each = amount * (1 - EVEN) / 2;
    return List.of(
        move(1, Move.Way.DOLLY, amount * EVEN, from, to, length / 20, length / 20),
        move(2, Move.Way.DOLLY, each, from, from + fast, fast / 6, fast * 5 / 6),
        move(3, Move.Way.DOLLY, each, to - fast, to, fast * 5 / 6, fast / 6));
  }

  private double swing() {
    return Math.max(-MOST_SWING_DEG, Math.min(MOST_SWING_DEG, SWINGS * amount));
  }

  private Move move(
      int number, Move.Way way, double far, double first, double last, double in, double out) {
    Move plain = Move.of(newId + "-" + number, way, far, first, last);
    return new Move(
        plain.body(),
        way,
        far,
        new Ease(in, out, 0.4),
        plain.after(),
        plain.rounds(),
        plain.pivot());
  }

  /**
   * @param far by channel: how far, and how often a second
   */
  private Shake jolt(double at, double damping, Map<String, double[]> far) {
    ShakeWay way = new ShakeWay.Jolt(damping, List.of(new Hit("hit-1", at)), Optional.empty());
    Shake layer = Shake.of(newId + "-jolt", way, 1, from);
    Curves curves = layer.curves();
    for (int c = 0; c < Shake.CHANNELS; c++) {
      Parameter amplitude = Shake.AMPLITUDES.get(c);
      double[] both = far.get(amplitude.id());
      if (both != null) {
        curves =
            curves
                .with(amplitude, Curve.still(both[0]))
                .with(Shake.FREQUENCIES.get(c), Curve.still(both[1]));
      }
    }
    return layer.withBody(layer.body().withCurves(curves));
  }

  @Override
  public Footprint footprint(Shot shot) {
    List<Place> places = new ArrayList<>(List.of(Place.parts(id), Place.leans(id)));
    parts().forEach(part -> places.add(Place.part(id, part.id())));
    return Footprint.of(shot)
        .changes(places.toArray(Place[]::new))
        .reliesOn(Place.there(id))
        .done();
  }

  @Override
  public String summary() {
    return kind.label;
  }
}
