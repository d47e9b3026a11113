package idlelens.core.part;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** One curve for each parameter of a part, in the order of its kind. Immutable. */
public record Curves(List<Parameter> parameters, List<Curve> list) {
  /** The curves of a part without parameters. */
  public static final Curves NONE = new Curves(List.of(), List.of());

  public Curves {
    parameters = List.copyOf(parameters);
    list = List.copyOf(list);
    for (int i = 0; i < list.size(); i++) {
      check(parameters.get(i), list.get(i));
    }
  }

  private static void check(Parameter parameter, Curve curve) {
    parameter.check(curve.rest());
    for (Key key : curve.keys()) {
      parameter.check(key.value());
    }
  }

  /** All parameters at rest at their usual values. */
  public static Curves usual(List<Parameter> parameters) {
    return new Curves(parameters, parameters.stream().map(p -> Curve.still(p.usual())).toList());
  }

  /** Where a parameter stands among those of the part; -1 if it is none of them. */
  int index(String id) {
    for (int i = 0; i < parameters.size(); i++) {
      if (parameters.get(i).id().equals(id)) {
        return i;
      }
    }
    return -1;
  }

  /** Where a parameter of the part stands among its parameters. */
  public int indexOf(Parameter parameter) {
    for (int i = 0; i < parameters.size(); i++) {
      if (parameters.get(i) == parameter) { // there is nearly always one instance of each
        return i;
      }
    }
    return parameters.indexOf(parameter);
  }

  /** The curve of a parameter of the part. */
  public Curve get(Parameter parameter) {
    return list.get(indexOf(parameter));
  }

  Optional<Curve> find(String id) {
    int i = index(id);
    return i < 0 ? Optional.empty() : Optional.of(list.get(i));
  }

  Curves with(int index, Curve curve) {
    if (list.get(index) == curve) {
      return this;
    }
    List<Curve> next = new ArrayList<>(list);
    next.set(index, curve);
    return new Curves(parameters, next);
  }

  /** With another curve for one parameter of the part. */
  public Curves with(Parameter parameter, Curve curve) {
    return with(indexOf(parameter), curve);
  }

  /** These curves, with the instances of equal earlier ones in their places. */
  Curves reusing(Curves earlier) {
    if (!parameters.equals(earlier.parameters)) {
      return this;
    }
    List<Curve> next = new ArrayList<>(list);
    for (int i = 0; i < next.size(); i++) {
      if (next.get(i).equals(earlier.list.get(i))) {
        next.set(i, earlier.list.get(i));
      }
    }
    return new Curves(parameters, next);
  }
}
