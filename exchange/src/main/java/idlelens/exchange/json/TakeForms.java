package idlelens.exchange.json;

import static idlelens.exchange.json.EditParts.frame;
import static idlelens.exchange.json.EditParts.id;
import static idlelens.exchange.json.EditParts.keyed;
import static idlelens.exchange.json.EditParts.keying;

import idlelens.core.edit.Keep;
import idlelens.core.edit.PoseInWorld;
import idlelens.core.edit.Punch;
import idlelens.core.edit.TakeToKeys;
import idlelens.core.edit.TakeToRecording;
import idlelens.exchange.format.FormatException;
import java.util.List;
import tools.jackson.databind.node.ObjectNode;

/** Edits of what was operated: takes, and where somebody stands. */
final class TakeForms {
  static final List<EditForm<?>> ALL =
      List.of(
          EditForm.of(
              "take-to-keys",
              TakeToKeys.class,
              "id rate samples start from to blend keep tolerance",
              p ->
                  new TakeToKeys(
                      id(p),
                      TakeJson.read(p),
                      p.get("start").number(),
                      punch(p),
                      p.get("keep").choice(Keep.class),
                      p.number("tolerance", 1)),
              (e, out) -> {
                TakeJson.write(e.take(), out.put("id", e.id()));
                punch(out, e.start(), e.punch());
                out.put("keep", JsonPlace.word(e.keep())).put("tolerance", e.tolerance());
              }),
          EditForm.of(
              "take-to-recording",
              TakeToRecording.class,
              "id rate samples start from to blend newPart name",
              p ->
                  new TakeToRecording(
                      id(p),
                      TakeJson.read(p),
                      p.get("start").number(),
                      punch(p),
                      p.get("newPart").text(),
                      p.get("name").text()),
              (e, out) -> {
                TakeJson.write(e.take(), out.put("id", e.id()));
                punch(out, e.start(), e.punch());
                out.put("newPart", e.newPart()).put("name", e.name());
              }),
          EditForm.of(
              "pose-in-world",
              PoseInWorld.class,
              "id frame x y z pan tilt roll keying",
              p ->
                  new PoseInWorld(
                      id(p),
                      frame(p),
                      p.get("x").number(),
                      p.get("y").number(),
                      p.get("z").number(),
                      p.get("pan").number(),
                      p.get("tilt").number(),
                      p.get("roll").number(),
                      keying(p)),
              (e, out) -> {
                keyed(out, e.id(), e.frame(), e.keying());
                out.put("x", e.xM()).put("y", e.yM()).put("z", e.zM());
                out.put("pan", e.pan()).put("tilt", e.tilt()).put("roll", e.roll());
              }));

  private TakeForms() {}

  private static Punch punch(JsonPlace p) throws FormatException {
    int blend = p.has("blend") ? p.get("blend").whole() : 0;
    return new Punch(p.get("from").whole(), p.get("to").whole(), blend);
  }

  private static void punch(ObjectNode out, double start, Punch punch) {
    out.put("start", start).put("from", punch.from()).put("to", punch.to());
    out.put("blend", punch.blend());
  }
}
