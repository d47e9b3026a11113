package idlelens.exchange.json;

import idlelens.core.part.Aim;
import idlelens.core.part.Carriage;
import idlelens.core.part.Carried;
import idlelens.core.part.Keys;
import idlelens.core.part.Lens;
import idlelens.core.part.PartBody;
import idlelens.core.part.Target;
import idlelens.exchange.format.FormatException;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.node.ObjectNode;

/** The forms of all kinds of part. */
final class PartForms {
  static final List<PartForm<?>> ALL =
      List.of(
          PartForm.of(Keys.KIND, Keys.class, "", (body, p) -> new Keys(body), (part, out) -> {}),
          PartForm.of(Carried.KIND, Carried.class, "by", PartForms::carried, PartForms::carried),
          PartForm.of(
              Aim.KIND, Aim.class, "target second side roll", PartForms::aim, PartForms::aim),
          PartForm.of(
              Lens.KIND,
              Lens.class,
              String.join(" ", LensJson.FIELDS),
              (body, p) -> LensJson.readSettings(p).withBody(body),
              LensJson::write));

  private PartForms() {}

  private static Carried carried(PartBody body, JsonPlace p) throws FormatException {
    if (!p.has("by")) {
      return new Carried(body, Carriage.WORLD);
    }
    List<Carriage> by =
        p.get("by").list(1, each -> CarriageJson.read(each.only("node", "offset"), "node"));
    return new Carried(body, by.isEmpty() ? Carriage.WORLD : by.get(0));
  }

  private static void carried(Carried part, ObjectNode out) {
    if (!part.by().equals(Carriage.WORLD)) {
      CarriageJson.write(part.by(), out.putArray("by").addObject());
    }
  }

  private static Aim aim(PartBody body, JsonPlace p) throws FormatException {
    Optional<Target> second =
        p.has("second") ? Optional.of(TargetJson.read(p.get("second"))) : Optional.empty();
    return new Aim(
        body,
        p.choice("side", Aim.Side.class, Aim.Side.FRONT),
        p.choice("roll", Aim.Roll.class, Aim.Roll.KEPT),
        TargetJson.read(p.get("target")),
        second);
  }

  private static void aim(Aim part, ObjectNode out) {
    TargetJson.write(part.target(), out.putObject("target"));
    part.second().ifPresent(second -> TargetJson.write(second, out.putObject("second")));
    out.put("side", JsonPlace.word(part.side())).put("roll", JsonPlace.word(part.roll()));
  }
}
