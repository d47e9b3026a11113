package idlelens.exchange.json;

import idlelens.core.lens.FilmBack;
import idlelens.core.lens.Gate;
import idlelens.core.lens.Iris;
import idlelens.core.lens.LensBody;
import idlelens.core.lens.Projection;
import idlelens.core.lens.ShutterOpens;
import idlelens.core.part.Curves;
import idlelens.core.part.Lens;
import idlelens.core.part.PartBody;
import idlelens.exchange.format.FormatException;
import java.util.OptionalDouble;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** What a lens is set to: sensor and lens in millimetres, and what focus follows. */
public final class LensJson {
  /** Its settings, and the squeeze, which was one before it could be keyed. */
  static final String[] FIELDS = {
    "sensorMm",
    "fit",
    "squeeze",
    "closeFocusM",
    "circleMm",
    "iris",
    "shutterOpens",
    "projection",
    "follow",
    "pulls"
  };

  private static final String SQUEEZE = "squeeze";

  private LensJson() {}

  /** The settings as an object of their own. */
  public static ObjectNode write(Lens part) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    write(part, out);
    return out;
  }

  static void write(Lens part, ObjectNode out) {
    LensBody lens = part.lens();
    out.putArray("sensorMm").add(lens.sensor().widthMm()).add(lens.sensor().heightMm());
    out.put("fit", JsonPlace.word(lens.fit()));
    // written even where it is as usual, and in this place, as it has always been
    out.set(SQUEEZE, CurveJson.write(part.curves().get(Lens.SQUEEZE)));
    out.put("closeFocusM", lens.closeFocusM());
    lens.circleMm().ifPresent(c -> out.put("circleMm", c));
    if (!lens.iris().equals(Iris.ROUND)) {
      out.putObject("iris")
          .put("blades", lens.iris().blades())
          .put("roundness", lens.iris().roundness());
    }
    if (lens.opens() != ShutterOpens.CENTRED) {
      out.put("shutterOpens", JsonPlace.word(lens.opens()));
    }
    if (lens.isOrthographic()) {
      out.put("projection", JsonPlace.word(lens.projection()));
    }
    FocusJson.write(part.focus(), out);
  }

  /** Reads settings that stand alone; what is not given is as in {@link Lens#PLAIN}. */
  public static Lens read(JsonPlace place) throws FormatException {
    Lens lens = readSettings(place.only(FIELDS));
    if (!place.has(SQUEEZE)) {
      return lens;
    }
    PartBody body = lens.body();
    Curves curves = body.curves().with(Lens.SQUEEZE, CurveJson.read(place.get(SQUEEZE)));
    return lens.withBody(body.withCurves(curves));
  }

  /** Reads settings that stand among other fields. */
  static Lens readSettings(JsonPlace place) throws FormatException {
    LensBody plain = LensBody.PLAIN;
    FilmBack back = plain.sensor();
    if (place.has("sensorMm")) {
      JsonPlace size = place.get("sensorMm");
      back = new FilmBack(size.at(0).number(), size.at(1).number());
    }
    LensBody lens =
        new LensBody(
            back,
            place.choice("fit", Gate.Fit.class, plain.fit()),
            place.number("closeFocusM", plain.closeFocusM()),
            place.has("circleMm")
                ? OptionalDouble.of(place.get("circleMm").number())
                : OptionalDouble.empty(),
            iris(place),
            place.choice("shutterOpens", ShutterOpens.class, plain.opens()),
            place.choice("projection", Projection.class, plain.projection()));
    return new Lens(Lens.PLAIN.body(), lens, FocusJson.read(place));
  }

  private static Iris iris(JsonPlace place) throws FormatException {
    if (!place.has("iris")) {
      return Iris.ROUND;
    }
    JsonPlace iris = place.get("iris").only("blades", "roundness");
    return new Iris(iris.get("blades").whole(), iris.number("roundness", 0));
  }
}
