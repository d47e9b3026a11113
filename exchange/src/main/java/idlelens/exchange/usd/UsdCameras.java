package idlelens.exchange.usd;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.Lane;
import idlelens.exchange.scenefile.View;
import java.util.Optional;
import java.util.OptionalDouble;

/** Cameras. Lengths of the lens are tenths of a scene unit. */
final class UsdCameras {
  /** What the schema has where a file says nothing. */
  private static final double FOCAL = 50;

  private static final double WIDTH = 20.955;
  private static final double HEIGHT = 15.2908;
  private static final double TENTHS = 10;
  private static final double MM_OF_TENTHS = 100;

  private final double toMm;

  UsdCameras(double metresPerUnit) {
    this.toMm = MM_OF_TENTHS * metresPerUnit;
  }

  Content.Camera read(UsdPrim prim, Optional<JsonPlace> ours) throws FormatException {
    return new Content.Camera(
        prim.path(),
        view(prim),
        OptionalDouble.empty(),
        unlessZero(prim, "fStop"),
        unlessZero(prim, "focusDistance"),
        ours);
  }

  private View view(UsdPrim prim) throws FormatException {
    Lane width = positive(prim, "horizontalAperture", WIDTH);
    Lane height = positive(prim, "verticalAperture", HEIGHT);
    if (prim.words("projection").contains("orthographic")) {
      return new View.Parallel(width.times(1 / TENTHS), height.times(1 / TENTHS));
    }
    Lane focal = positive(prim, "focalLength", FOCAL);
    return new View.Focal(focal.times(toMm), width.times(toMm), height.times(toMm));
  }

  private static Lane positive(UsdPrim prim, String name, double otherwise) throws FormatException {
    Optional<Channel> found = UsdTransforms.find(prim, name, 1);
    if (found.isEmpty()) {
      return Lane.still(prim.path() + "." + name, otherwise);
    }
    for (double value : found.get().values()) {
      if (!(value > 0)) {
        throw new FormatException(prim.path() + "." + name, value, "numbers greater than 0");
      }
    }
    return Lane.of(found.get());
  }

  /** In the schema 0 says that there is none. */
  private static Optional<Lane> unlessZero(UsdPrim prim, String name) throws FormatException {
    return UsdTransforms.find(prim, name, 1).filter(c -> c.value(0, 0) > 0).map(Lane::of);
  }
}
