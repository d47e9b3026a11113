package idlelens.exchange.usd;

import java.util.List;

/** What a property is set to, as far as we read it. */
sealed interface UsdValue {
  /** Numbers, without their brackets. */
  record Numbers(double[] values) implements UsdValue {}

  /** Texts and words. */
  record Words(List<String> words) implements UsdValue {}

  /** Something else, passed by. */
  record Other() implements UsdValue {}

  /**
   * Numbers over time.
   *
   * @param each how many a time has
   */
  record Samples(double[] times, double[] values, int each) implements UsdValue {}
}
