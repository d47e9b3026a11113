package idlelens.exchange.scenefile;

import java.util.List;
import java.util.Optional;

/**
 * What a format can hold.
 *
 * @param axes which it can say, the usual one first
 * @param metresPerUnit its unit, where it has but one
 * @param rest how its cameras stand, where that is settled
 * @param nodes whether there may be several cameras, and nodes that carry
 * @param steps whether a value may be held from key to key
 * @param singlePrecision whether its numbers have 32 bits
 * @param appearing whether something may be seen at some times only
 * @param parallel whether a camera may see in parallel
 */
public record Holds(
    List<Axes> axes,
    Optional<Double> metresPerUnit,
    Optional<Rest> rest,
    boolean nodes,
    boolean steps,
    boolean singlePrecision,
    boolean appearing,
    boolean parallel) {

  /** Those of what is wished for that it can hold. */
  public Conventions within(Conventions wish) {
    Axes kept = axes.contains(wish.axes()) ? wish.axes() : axes.get(0);
    boolean sameAxes = kept == wish.axes();
    Rest stands = rest.orElse(sameAxes ? wish.rest() : Rest.LEVEL);
    return new Conventions(
        kept,
        metresPerUnit.orElse(wish.metresPerUnit()),
        kept.isRightHanded() ? stands : Rest.LEVEL);
  }
}
