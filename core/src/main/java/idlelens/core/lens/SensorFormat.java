package idlelens.core.lens;

import java.util.Arrays;
import java.util.Optional;

/** Sensors with a common name. */
public enum SensorFormat {
  SUPER_35("Super 35", 24.89, 18.66),
  SUPER_35_WIDE("Super 35, 16:9", 24.89, 14.00),
  FULL_FRAME("Full frame", 36, 24),
  FOUR_THIRDS("Four thirds", 17.3, 13.0),
  SUPER_16("Super 16", 12.52, 7.41),
  WIDE_65("65 mm", 52.48, 23.01),
  ONE_INCH("1 inch", 13.2, 8.8);

  private final String label;
  private final FilmBack back;

  SensorFormat(String label, double widthMm, double heightMm) {
    this.label = label;
    this.back = new FilmBack(widthMm, heightMm);
  }

  public String label() {
    return label;
  }

  public FilmBack back() {
    return back;
  }

  /** The named format of that size, if there is one. */
  public static Optional<SensorFormat> of(FilmBack back) {
    return Arrays.stream(values()).filter(f -> f.back.equals(back)).findFirst();
  }
}
