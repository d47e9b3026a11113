package idlelens.core.part;

import idlelens.core.rule.Require;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.joml.Vector3d;

/**
 * Turns the node so that one of its sides looks at a target.
 *
 * @param side which side looks
 * @param roll what becomes of its roll
 * @param target what it looks at
 * @param second what it looks at as far as {@link #BLEND} says
 */
public record Aim(PartBody body, Side side, Roll roll, Target target, Optional<Target> second)
    implements Part {
  /** From the first target, 0, to the second, 1. */
  public static final Parameter BLEND =
      new Parameter("blend", "Blend", Family.WEIGHT, 0, 1, 0, false);

  public static final PartKind KIND =
      new PartKind(
          "aim",
          "Aim",
          "Turns to look at a node or a place",
          Slot.WORLD,
          true,
          false,
          true,
          List.of(Parameter.WEIGHT, BLEND),
          Set.of("camera", "null", "piece", "light"));

  /** A side of a node, by its own axes. */
  public enum Side {
    FRONT(0, 0, -1),
    BACK(0, 0, 1),
    LEFT(-1, 0, 0),
    RIGHT(1, 0, 0),
    TOP(0, 1, 0),
    BOTTOM(0, -1, 0);

    private final double x;
    private final double y;
    private final double z;

    Side(double x, double y, double z) {
      this.x = x;
      this.y = y;
      this.z = z;
    }

    /** The direction out of the node through this side, of length 1. */
    public Vector3d axis() {
      return new Vector3d(x, y, z);
    }

    /** The direction that is level when the picture is: +Y, or for top and bottom the front. */
    public Vector3d up() {
      return y == 0 ? new Vector3d(0, 1, 0) : new Vector3d(0, 0, -1);
    }
  }

  /** What becomes of the roll. */
  public enum Roll {
    /** The shortest turn carries it along. */
    KEPT,
    /** The horizon is level, except near the vertical. */
    LEVELLED
  }

  public Aim {
    Require.present(side, "aim.side");
    Require.present(roll, "aim.roll");
    Require.present(target, "aim.target");
    Require.present(second, "aim.second");
  }

  /** Looks at a target with the front, its roll kept. */
  public static Aim at(String id, Target target) {
    return new Aim(PartBody.usual(id, KIND), Side.FRONT, Roll.KEPT, target, Optional.empty());
  }

  @Override
  public PartKind kind() {
    return KIND;
  }

  @Override
  public Aim withBody(PartBody newBody) {
    return new Aim(newBody, side, roll, target, second);
  }

  @Override
  public List<Target> targets() {
    List<Target> all = new ArrayList<>(List.of(target));
    second.ifPresent(all::add);
    return all;
  }

  @Override
  public Aim withTargets(List<Target> targets) {
    return new Aim(body, side, roll, targets.get(0), second.map(s -> targets.get(1)));
  }
}
