package idlelens.exchange.json;

import idlelens.core.part.Ease;
import idlelens.core.part.FocusMark;
import idlelens.core.part.FocusRule;
import idlelens.core.part.Hunt;
import idlelens.core.part.Pull;
import idlelens.core.part.Target;
import idlelens.core.shake.Ring;
import idlelens.exchange.format.FormatException;
import java.util.Optional;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What focus follows, or the marks that it is pulled between. */
final class FocusJson {
  /** Of a pull, beside its id. */
  static final String[] PULL = {"frame", "frames", "mark", "ease", "hunt"};

  private static final String LAG = "lagFrames";

  private FocusJson() {}

  static void write(FocusRule rule, ObjectNode out) {
    if (rule instanceof FocusRule.Follow follow) {
      ObjectNode to = TargetJson.write(follow.target(), out.putObject("follow"));
      to.put("offsetM", follow.offsetM());
      if (follow.lag() != 0) {
        to.put(LAG, follow.lag());
      }
    } else if (rule instanceof FocusRule.Pulls pulls) {
      write(pulls, out.putObject("pulls"));
    }
  }

  private static void write(FocusRule.Pulls pulls, ObjectNode out) {
    out.put("along", JsonPlace.word(pulls.along()));
    ArrayNode marks = out.putArray("marks");
    for (FocusMark mark : pulls.marks()) {
      ObjectNode to = marks.addObject().put("id", mark.id()).put("name", mark.name());
      mark.on().ifPresent(target -> TargetJson.write(target, to));
      to.put(mark.on().isPresent() ? "offsetM" : "metres", mark.metres());
    }
    ArrayNode by = out.putArray("by");
    pulls.pulls().forEach(pull -> write(pull, by.addObject().put("id", pull.id())));
  }

  static void write(Pull pull, ObjectNode out) {
    out.put("frame", pull.frame()).put("frames", pull.frames()).put("mark", pull.markId());
    out.putArray("ease").add(pull.ease().in()).add(pull.ease().out()).add(pull.ease().softness());
    if (!pull.hunt().equals(Hunt.NONE)) {
      out.putObject("hunt")
          .put("reach", pull.hunt().reach())
          .put("hz", pull.hunt().ring().hz())
          .put("damping", pull.hunt().ring().damping());
    }
  }

  static FocusRule read(JsonPlace place) throws FormatException {
    if (place.has("follow") && place.has("pulls")) {
      throw place.refusal("follow, pulls, or neither of them");
    }
    if (place.has("pulls")) {
      return pulls(place.get("pulls").only("along", "marks", "by"));
    }
    if (!place.has("follow")) {
      return new FocusRule.Distance();
    }
    JsonPlace follow = place.get("follow");
    return new FocusRule.Follow(
        TargetJson.read(follow, "offsetM", LAG),
        follow.number("offsetM", 0),
        follow.has(LAG) ? follow.get(LAG).whole() : 0);
  }

  private static FocusRule pulls(JsonPlace place) throws FormatException {
    return new FocusRule.Pulls(
        place.choice("along", FocusRule.Along.class, FocusRule.Along.RING),
        place.get("marks").list(FocusRule.Pulls.MOST_MARKS, FocusJson::mark),
        place.get("by").list(FocusRule.Pulls.MOST_PULLS, FocusJson::pull));
  }

  private static FocusMark mark(JsonPlace place) throws FormatException {
    String id = place.get("id").text();
    String name = place.get("name").text();
    if (place.has("metres")) {
      place.only("id", "name", "metres");
      return new FocusMark(id, name, Optional.empty(), place.get("metres").number());
    }
    Target on = TargetJson.read(place, "id", "name", "offsetM");
    return new FocusMark(id, name, Optional.of(on), place.number("offsetM", 0));
  }

  private static Pull pull(JsonPlace place) throws FormatException {
    place.only("id", "frame", "frames", "mark", "ease", "hunt");
    return pull(place.get("id").text(), place);
  }

  /** A pull that stands among other fields. */
  static Pull pull(String id, JsonPlace place) throws FormatException {
    double frames = place.get("frames").number();
    return new Pull(
        id,
        place.get("frame").number(),
        frames,
        place.get("mark").text(),
        place.has("ease") ? ease(place.get("ease")) : Ease.thirds(frames),
        place.has("hunt") ? hunt(place.get("hunt")) : Hunt.NONE);
  }

  private static Ease ease(JsonPlace place) throws FormatException {
    return new Ease(place.at(0).number(), place.at(1).number(), place.at(2).number());
  }

  private static Hunt hunt(JsonPlace place) throws FormatException {
    place.only("reach", "hz", "damping");
    double hz = place.number("hz", Hunt.NONE.ring().hz());
    double damping = place.number("damping", Hunt.NONE.ring().damping());
    return new Hunt(place.get("reach").number(), new Ring(hz, damping));
  }
}
