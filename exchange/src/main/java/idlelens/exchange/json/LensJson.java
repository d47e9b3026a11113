package idlelens.exchange.json;

import idlelens.core.lens.FilmBack;
import idlelens.core.lens.FocusRule;
import idlelens.core.lens.Gate;
import idlelens.core.lens.LensBody;
import idlelens.exchange.format.FormatException;
import java.util.OptionalDouble;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Lens and sensor. */
public final class LensJson {
  private LensJson() {}

  /** The lens as an object; sizes in millimetres. */
  public static ObjectNode write(LensBody lens) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.putArray("sensorMm").add(lens.sensor().widthMm()).add(lens.sensor().heightMm());
    out.put("fit", JsonPlace.word(lens.fit()));
    out.put("squeeze", lens.squeeze());
    out.put("closeFocusM", lens.closeFocusM());
    lens.circleMm().ifPresent(c -> out.put("circleMm", c));
    if (lens.focus() instanceof FocusRule.Follow follow) {
      out.putObject("follow").put("node", follow.nodeId()).put("offsetM", follow.offsetM());
    }
    return out;
  }

  /** Reads a lens; what is not given is as in {@link LensBody#PLAIN}. */
  public static LensBody read(JsonPlace place) throws FormatException {
    place.only("sensorMm", "fit", "squeeze", "closeFocusM", "circleMm", "follow");
    LensBody plain = LensBody.PLAIN;
    FilmBack back = plain.sensor();
    if (place.has("sensorMm")) {
      JsonPlace size = place.get("sensorMm");
      back = new FilmBack(size.at(0).number(), size.at(1).number());
    }
    FocusRule focus = plain.focus();
    if (place.has("follow")) {
      JsonPlace follow = place.get("follow").only("node", "offsetM");
      focus = new FocusRule.Follow(follow.get("node").text(), follow.number("offsetM", 0));
    }
    return new LensBody(
        back,
        place.has("fit") ? place.get("fit").choice(Gate.Fit.class) : plain.fit(),
        place.number("squeeze", plain.squeeze()),
        place.number("closeFocusM", plain.closeFocusM()),
        place.has("circleMm")
            ? OptionalDouble.of(place.get("circleMm").number())
            : OptionalDouble.empty(),
        focus);
  }
}
