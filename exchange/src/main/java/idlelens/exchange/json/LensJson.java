package idlelens.exchange.json;

import idlelens.core.lens.FilmBack;
import idlelens.core.lens.Gate;
import idlelens.core.lens.LensBody;
import idlelens.core.part.FocusRule;
import idlelens.core.part.Lens;
import idlelens.exchange.format.FormatException;
import java.util.OptionalDouble;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** What a lens is set to: sensor and lens in millimetres, and what focus follows. */
public final class LensJson {
  static final String[] FIELDS = {
    "sensorMm", "fit", "squeeze", "closeFocusM", "circleMm", "follow"
  };

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
    out.put("squeeze", lens.squeeze());
    out.put("closeFocusM", lens.closeFocusM());
    lens.circleMm().ifPresent(c -> out.put("circleMm", c));
    if (part.focus() instanceof FocusRule.Follow follow) {
      TargetJson.write(follow.target(), out.putObject("follow")).put("offsetM", follow.offsetM());
    }
  }

  /** Reads settings that stand alone; what is not given is as in {@link Lens#PLAIN}. */
  public static Lens read(JsonPlace place) throws FormatException {
    return readSettings(place.only(FIELDS));
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
            place.number("squeeze", plain.squeeze()),
            place.number("closeFocusM", plain.closeFocusM()),
            place.has("circleMm")
                ? OptionalDouble.of(place.get("circleMm").number())
                : OptionalDouble.empty());
    return new Lens(Lens.PLAIN.body(), lens, focus(place));
  }

  private static FocusRule focus(JsonPlace place) throws FormatException {
    if (!place.has("follow")) {
      return new FocusRule.Distance();
    }
    JsonPlace follow = place.get("follow");
    return new FocusRule.Follow(TargetJson.read(follow, "offsetM"), follow.number("offsetM", 0));
  }
}
