package idlelens.exchange.opentrackio;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.rule.RefusedException;
import idlelens.core.take.Take;
import idlelens.exchange.format.FormatException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.UnaryOperator;

/**
 * Samples of a tracker by their numbers, in whatever order they came; no more than a take may have.
 */
final class TrackTape {
  private final NavigableMap<Long, TrackSample> samples = new TreeMap<>();
  private final Set<Long> bare = new HashSet<>();
  private final long first;
  private int beyond;

  /**
   * @param first number of the sample with which it begins
   */
  TrackTape(long first) {
    this.first = first;
  }

  /**
   * Adds a sample that is not there yet, where there is room for it.
   *
   * @param summed whether it came with a sum, and so as it was sent
   */
  void add(long number, TrackSample sample, boolean summed) {
    if (number < first || number - first >= Take.MOST_SAMPLES) {
      beyond += number < first ? 0 : 1;
      return;
    }
    samples.put(number, sample);
    if (!summed) {
      bare.add(number);
    }
  }

  boolean has(long number) {
    return samples.containsKey(number);
  }

  int size() {
    return samples.size();
  }

  int beyond() {
    return beyond;
  }

  /** Numbers that never came, from the first to the last that did. */
  List<TrackFeed.Gap> gaps() {
    List<TrackFeed.Gap> all = new ArrayList<>();
    long expected = first;
    for (long number : samples.keySet()) {
      if (number > expected) {
        all.add(new TrackFeed.Gap((int) (expected - first), (int) (number - expected)));
      }
      expected = number + 1;
    }
    return all;
  }

  /** How many a second, as most samples say. */
  OptionalDouble rateHz() {
    Map<Double, Integer> said = new HashMap<>();
    samples.values().forEach(s -> s.rateHz().ifPresent(rate -> said.merge(rate, 1, Integer::sum)));
    return said.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .map(e -> OptionalDouble.of(e.getKey()))
        .orElse(OptionalDouble.empty());
  }

  /** Takes out what has no sum and lies far off the way of its neighbours; how many these were. */
  int withoutStrays() {
    if (bare.isEmpty() || rateHz().isEmpty()) {
      return 0;
    }
    List<Long> strays = Strays.of(samples, rateHz().getAsDouble());
    strays.retainAll(bare);
    strays.forEach(samples::remove);
    return strays.size();
  }

  /**
   * The take: over what never came it goes straight and evenly, and before the first that came it
   * stands.
   *
   * @param placed takes a pose of the tracker into the world
   * @throws FormatException if fewer than two samples came, or none says how many a second
   */
  Take take(UnaryOperator<RigidPose> placed) throws FormatException {
    if (samples.size() < 2) {
      throw new FormatException("samples", samples.size(), "at least two");
    }
    double rate =
        rateHz()
            .orElseThrow(
                () ->
                    new FormatException(
                        "timing.sampleRate", "said by no sample", "samples a second"));
    int count = (int) (samples.lastKey() - first) + 1;
    double[][] columns = new double[Take.COLUMNS.size()][count];
    double[] near = new double[3];
    for (int i = 0; i < count; i++) {
      RigidPose pose = placed.apply(pose(first + i));
      near = Turns.panTiltRoll(pose.turn(), near);
      double[] now = {pose.x(), pose.y(), pose.z(), near[0], near[1], near[2]};
      for (int c = 0; c < now.length; c++) {
        columns[c][i] = c < 3 ? now[c] : Math.toDegrees(now[c]);
      }
    }
    List<Optional<double[]>> all = new ArrayList<>();
    for (int c = 0; c < Take.FOCAL; c++) {
      all.add(Optional.of(columns[c]));
    }
    all.add(lens(TrackSample::focalMm, count));
    all.add(lens(TrackSample::focusM, count));
    try {
      return new Take(rate, all);
    } catch (RefusedException e) {
      throw new FormatException(e.where(), e.found(), e.allowed());
    }
  }

  private RigidPose pose(long number) {
    var before = samples.floorEntry(number);
    var after = samples.ceilingEntry(number);
    if (before == null || after == null || before.getKey().equals(after.getKey())) {
      return (before == null ? after : before).getValue().pose();
    }
    double share = (double) (number - before.getKey()) / (after.getKey() - before.getKey());
    return before.getValue().pose().towards(after.getValue().pose(), share);
  }

  /** A number of the lens, where every sample tells it and it is more than 0. */
  private Optional<double[]> lens(Function<TrackSample, OptionalDouble> number, int count) {
    double[] column = new double[count];
    for (int i = 0; i < count; i++) {
      var told = samples.floorEntry(first + i);
      TrackSample sample = (told == null ? samples.firstEntry() : told).getValue();
      column[i] = number.apply(sample).orElse(0);
    }
    return Arrays.stream(column).allMatch(v -> v > 0) ? Optional.of(column) : Optional.empty();
  }
}
