package idlelens.core.part;

import java.util.function.DoubleUnaryOperator;

/** Frames that a part holds besides its keys. */
public sealed interface Stamp permits Window {
  /** Unique in its part. */
  String id();

  /** The same after its frames came elsewhere. */
  Stamp retimed(DoubleUnaryOperator map);
}
