package idlelens.core.part;

import idlelens.core.rule.Require;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;

/** What carries the node: the space in which its own pose stands. */
public record Carried(PartBody body, Carriage by) implements Part {
  /** Its id in every node. */
  public static final String ID = "carried";

  public static final PartKind KIND =
      new PartKind(
          ID,
          "Carried by",
          "Rides along with a null",
          Slot.SPACE,
          false,
          true,
          false,
          List.of(),
          Set.of("camera", "null", "piece", "sun"));

  /** Standing in the world. */
  public static final Carried WORLD = new Carried(PartBody.usual(ID, KIND), Carriage.WORLD);

  public Carried {
    Require.present(by, "carrier");
  }

  @Override
  public PartKind kind() {
    return KIND;
  }

  @Override
  public Carried withBody(PartBody newBody) {
    return new Carried(newBody, by);
  }

  public Carried withBy(Carriage newBy) {
    return new Carried(body, newBy);
  }

  @Override
  public List<Lean> leans() {
    return by.isCarried() ? List.of(new Lean(by.carrierId(), Lean.Of.WORLD, "carrier")) : List.of();
  }

  @Override
  public Carried withNodes(UnaryOperator<String> other) {
    return by.isCarried() ? withBy(new Carriage(other.apply(by.carrierId()), by.offset())) : this;
  }
}
