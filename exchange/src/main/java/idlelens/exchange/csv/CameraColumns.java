package idlelens.exchange.csv;

import idlelens.core.rule.RefusedException;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.Conventions;
import idlelens.exchange.scenefile.LensNumber;
import idlelens.exchange.scenefile.PictureSpace;
import idlelens.exchange.scenefile.Rest;
import idlelens.exchange.scenefile.TurnOrder;
import idlelens.exchange.scenefile.Wording;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * How the numbers of a camera's table are to be taken, as its second line says.
 *
 * @param aspect of the picture
 * @param widthMm of the part of the sensor that is used, as heightMm
 */
record CameraColumns(
    String camera,
    Conventions conventions,
    Wording wording,
    double aspect,
    double widthMm,
    double heightMm) {
  static final String FRAME = "frame";
  static final String F_STOP = "fstop";
  static final String FOCAL = "focal_mm";
  static final String ACROSS = "hfov_deg";
  static final String UP = "vfov_deg";
  static final String ZOOM = "zoom_px";
  static final String FOCUS = "focus_m";

  /** All that a head may have. */
  static final List<String> ALL =
      List.of(
          FRAME, "x", "y", "z", "pan", "tilt", "roll", "rx", "ry", "rz", FOCAL, ACROSS, UP, ZOOM,
          FOCUS, F_STOP);

  /** Those of this table, in their order. */
  List<String> columns() {
    List<String> all = new ArrayList<>(List.of(FRAME, "x", "y", "z"));
    all.addAll(wording.order().columns());
    all.addAll(List.of(FOCAL, ACROSS, UP));
    if (wording.lens() == LensNumber.ZOOM) {
      all.add(ZOOM);
    }
    all.addAll(List.of(FOCUS, F_STOP));
    return all;
  }

  /** The unit of each. */
  List<String> units() {
    String place = conventions.axes() == Axes.PICTURE ? "px" : unit(conventions.metresPerUnit());
    return columns().stream()
        .map(
            c ->
                switch (c) {
                  case FRAME -> "number";
                  case "x", "y", "z" -> place;
                  case FOCAL -> "mm";
                  case ZOOM -> "px";
                  case FOCUS -> "m";
                  case F_STOP -> "f/";
                  default -> "deg";
                })
        .toList();
  }

  private static String unit(double metres) {
    return metres == 1 ? "m" : metres == 0.01 ? "cm" : metres == 0.001 ? "mm" : metres + " m";
  }

  /** Where places in pixels are counted from: right and down of the middle, in the file's unit. */
  double[] origin() {
    boolean corner = wording.picture().origin() == PictureSpace.Origin.CORNER;
    if (conventions.axes() != Axes.PICTURE || !corner) {
      return new double[] {0, 0};
    }
    PictureSpace picture = wording.picture();
    return new double[] {picture.widthPx() / 2.0, picture.heightPx(aspect) / 2};
  }

  ObjectNode write() {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("camera", camera);
    out.put("axes", JsonPlace.word(conventions.axes()));
    out.put("metresPerUnit", conventions.metresPerUnit());
    out.put("rest", JsonPlace.word(conventions.rest()));
    out.put("order", JsonPlace.word(wording.order()));
    out.put("lens", JsonPlace.word(wording.lens()));
    PictureSpace picture = wording.picture();
    out.put("widthPx", picture.widthPx()).put("pixelAspect", picture.pixelAspect());
    out.put("origin", JsonPlace.word(picture.origin()));
    out.put("aspect", aspect).put("widthMm", widthMm).put("heightMm", heightMm);
    return out;
  }

  static CameraColumns read(JsonPlace place) throws FormatException {
    try {
      return new CameraColumns(
          place.text("camera", "Camera"),
          new Conventions(
              place.get("axes").choice(Axes.class),
              place.get("metresPerUnit").number(),
              place.get("rest").choice(Rest.class)),
          new Wording(
              place.get("order").choice(TurnOrder.class),
              place.get("lens").choice(LensNumber.class),
              new PictureSpace(
                  place.get("widthPx").whole(),
                  place.get("pixelAspect").number(),
                  place.get("origin").choice(PictureSpace.Origin.class))),
          place.get("aspect").number(),
          place.get("widthMm").number(),
          place.get("heightMm").number());
    } catch (RefusedException e) {
      throw new FormatException(place.path() + "." + e.where(), e.found(), e.allowed());
    }
  }
}
