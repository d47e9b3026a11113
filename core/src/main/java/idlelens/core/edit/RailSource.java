package idlelens.core.edit;

import idlelens.core.rail.Anchor;
import idlelens.core.rail.Rail;
import idlelens.core.rail.ReadyRails;
import idlelens.core.rail.StrokeFit;
import idlelens.core.rule.RefusedException;
import java.util.ArrayList;
import java.util.List;
import org.joml.Vector3d;

/** What a new rail is made from. */
public sealed interface RailSource {
  /** The rail about its own origin. */
  Rail rail();

  /** Straight ahead, so many metres. */
  record Line(double lengthM) implements RailSource {
    @Override
    public Rail rail() {
      return ReadyRails.line(lengthM);
    }
  }

  /** A closed circle. */
  record Circle(double radiusM) implements RailSource {
    @Override
    public Rail rail() {
      return ReadyRails.circle(radiusM);
    }
  }

  /** Part of a circle, or round and round while it rises. */
  record Helix(double radiusM, double degrees, double riseM) implements RailSource {
    @Override
    public Rail rail() {
      return ReadyRails.helix(radiusM, degrees, riseM);
    }
  }

  /** Anchors placed one by one: three numbers each, in metres from the origin. */
  record Placed(List<Double> numbers, boolean closed) implements RailSource {
    public Placed {
      numbers = List.copyOf(numbers);
    }

    @Override
    public Rail rail() {
      List<Anchor> anchors = new ArrayList<>();
      for (Vector3d each : vectors(numbers)) {
        anchors.add(Anchor.smooth("a" + (anchors.size() + 1), each.x, each.y, each.z));
      }
      return new Rail(anchors, closed);
    }
  }

  /** A stroke drawn by hand, fitted within a tolerance: three numbers a point. */
  record Drawn(List<Double> numbers, double toleranceM, boolean closed) implements RailSource {
    public Drawn {
      numbers = List.copyOf(numbers);
    }

    @Override
    public Rail rail() {
      return StrokeFit.fit(vectors(numbers), toleranceM, closed);
    }
  }

  private static List<Vector3d> vectors(List<Double> numbers) {
    if (numbers.size() % 3 != 0) {
      throw new RefusedException(
          "points.count", numbers.size() + " numbers", "three for each point");
    }
    List<Vector3d> all = new ArrayList<>();
    for (int i = 0; i < numbers.size(); i += 3) {
      all.add(new Vector3d(numbers.get(i), numbers.get(i + 1), numbers.get(i + 2)));
    }
    return all;
  }
}
