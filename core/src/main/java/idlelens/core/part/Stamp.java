package idlelens.core.part;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.function.DoubleUnaryOperator;

/** Frames that a part holds besides its keys. */
public sealed interface Stamp permits Window, HandOver, Pin, Hit, Pull {
  /** Unique in its part. */
  String id();

  /** The same after its frames came elsewhere. */
  Stamp retimed(DoubleUnaryOperator map);

  /** Refuses what is no id of a stamp. */
  static void checkId(String id) {
    Require.partId(id, "stamp.id");
    if (id.equals(Window.ID)) {
      throw new RefusedException(
          "stamp.id",
          "'" + id + "'",
          "1 to 40 lower-case letters, digits or '-', but not '" + Window.ID + "'");
    }
  }
}
