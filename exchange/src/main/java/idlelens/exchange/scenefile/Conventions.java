package idlelens.exchange.scenefile;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;

/**
 * In what a file's numbers are.
 *
 * @param axes where its axes point
 * @param metresPerUnit length of its unit, 1e-6 to 1e6 metres
 * @param rest how a camera stands that is not turned; level where axes are left-handed
 */
public record Conventions(Axes axes, double metresPerUnit, Rest rest) {
  /** Ours. */
  public static final Conventions OURS = new Conventions(Axes.Y_UP, 1, Rest.OWN_Z);

  public Conventions {
    Require.present(axes, "axes");
    Require.present(rest, "rest");
    Require.within(metresPerUnit, 1e-6, 1e6, "metresPerUnit");
    if (rest == Rest.OWN_Z && !axes.isRightHanded()) {
      throw new RefusedException("rest", "OWN_Z in left-handed axes", "LEVEL");
    }
  }

  public Conventions withAxes(Axes newAxes) {
    return new Conventions(newAxes, metresPerUnit, newAxes.isRightHanded() ? rest : Rest.LEVEL);
  }

  public Conventions withUnit(double newMetresPerUnit) {
    return new Conventions(axes, newMetresPerUnit, rest);
  }
}
