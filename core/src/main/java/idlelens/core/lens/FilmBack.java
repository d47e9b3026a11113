package idlelens.core.lens;

import idlelens.core.rule.Require;

/** The light-sensitive area, in millimetres, from 0.1 to 1,000 on a side. */
public record FilmBack(double widthMm, double heightMm) {
  public FilmBack {
    Require.within(widthMm, 0.1, 1000, "sensor.widthMm");
    Require.within(heightMm, 0.1, 1000, "sensor.heightMm");
  }

  public double diagonalMm() {
    return Math.hypot(widthMm, heightMm);
  }
}
