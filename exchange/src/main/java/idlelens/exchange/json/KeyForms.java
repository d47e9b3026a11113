package idlelens.exchange.json;

import static idlelens.exchange.json.EditParts.PICKS;
import static idlelens.exchange.json.EditParts.frame;
import static idlelens.exchange.json.EditParts.frames;
import static idlelens.exchange.json.EditParts.id;
import static idlelens.exchange.json.EditParts.keyed;
import static idlelens.exchange.json.EditParts.keying;
import static idlelens.exchange.json.EditParts.landing;
import static idlelens.exchange.json.EditParts.paths;
import static idlelens.exchange.json.EditParts.picks;

import idlelens.core.curve.Key;
import idlelens.core.edit.KeyPose;
import idlelens.core.edit.MoveInWorld;
import idlelens.core.edit.MoveKeys;
import idlelens.core.edit.MovePath;
import idlelens.core.edit.Operate;
import idlelens.core.edit.Orbit;
import idlelens.core.edit.PasteKeys;
import idlelens.core.edit.PlaceKeys;
import idlelens.core.edit.RemoveKeys;
import idlelens.core.edit.ScaleKeys;
import idlelens.core.edit.SetTakesKeys;
import idlelens.core.edit.SetValues;
import idlelens.core.part.Path;
import idlelens.exchange.format.FormatException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Edits that place things and set, move and copy keys. */
final class KeyForms {
  static final List<EditForm<?>> ALL =
      List.of(
          EditForm.of(
              "set-values",
              SetValues.class,
              "id frame values keying",
              p -> new SetValues(id(p), frame(p), values(p.get("values")), keying(p)),
              (e, out) -> {
                keyed(out, e.id(), e.frame(), e.keying());
                ObjectNode values = out.putObject("values");
                e.values().forEach((c, v) -> values.put(c.toString(), v));
              }),
          EditForm.of(
              "operate",
              Operate.class,
              "id frame truck pedestal dolly pan tilt roll keying",
              p ->
                  new Operate(
                      id(p),
                      frame(p),
                      p.number("truck", 0),
                      p.number("pedestal", 0),
                      p.number("dolly", 0),
                      p.number("pan", 0),
                      p.number("tilt", 0),
                      p.number("roll", 0),
                      keying(p)),
              (e, out) -> {
                keyed(out, e.id(), e.frame(), e.keying());
                out.put("truck", e.truckM()).put("pedestal", e.pedestalM());
                out.put("dolly", e.dollyM()).put("pan", e.pan());
                out.put("tilt", e.tilt()).put("roll", e.roll());
              }),
          EditForm.of(
              "move-in-world",
              MoveInWorld.class,
              "id frame dx dy dz turn keying",
              p ->
                  new MoveInWorld(
                      id(p),
                      frame(p),
                      p.number("dx", 0),
                      p.number("dy", 0),
                      p.number("dz", 0),
                      p.number("turn", 0),
                      keying(p)),
              (e, out) -> {
                keyed(out, e.id(), e.frame(), e.keying());
                out.put("dx", e.dxM()).put("dy", e.dyM()).put("dz", e.dzM()).put("turn", e.turn());
              }),
          EditForm.of(
              "orbit",
              Orbit.class,
              "id frame about across up keying",
              p -> {
                JsonPlace about = p.get("about");
                return new Orbit(
                    id(p),
                    frame(p),
                    about.at(0).number(),
                    about.at(1).number(),
                    about.at(2).number(),
                    p.number("across", 0),
                    p.number("up", 0),
                    keying(p));
              },
              (e, out) -> {
                keyed(out, e.id(), e.frame(), e.keying());
                out.putArray("about").add(e.aboutXM()).add(e.aboutYM()).add(e.aboutZM());
                out.put("across", e.across()).put("up", e.up());
              }),
          EditForm.of(
              "move-path",
              MovePath.class,
              "id frames dx dy dz",
              p ->
                  new MovePath(
                      id(p),
                      p.has("frames") ? frames(p.get("frames")) : List.of(),
                      p.number("dx", 0),
                      p.number("dy", 0),
                      p.number("dz", 0)),
              (e, out) -> {
                frames(out.put("id", e.id()), "frames", e.frames());
                out.put("dx", e.dxM()).put("dy", e.dyM()).put("dz", e.dzM());
              }),
          EditForm.of(
              "key-pose",
              KeyPose.class,
              "id frame channels",
              p -> new KeyPose(id(p), frame(p), paths(p)),
              (e, out) ->
                  paths(out.put("id", e.id()).put("frame", e.frame()), "channels", e.paths())),
          EditForm.of(
              "remove-keys",
              RemoveKeys.class,
              PICKS,
              p -> new RemoveKeys(picks(p)),
              (e, out) -> picks(out, e.picks())),
          EditForm.of(
              "move-keys",
              MoveKeys.class,
              PICKS + " by byValue landing",
              p -> new MoveKeys(picks(p), p.number("by", 0), p.number("byValue", 0), landing(p)),
              (e, out) -> {
                picks(out, e.picks());
                out.put("by", e.by()).put("byValue", e.byValue());
                out.put("landing", JsonPlace.word(e.landing()));
              }),
          EditForm.of(
              "scale-keys",
              ScaleKeys.class,
              PICKS + " aboutFrame aboutValue inTime inValue landing",
              p ->
                  new ScaleKeys(
                      picks(p),
                      p.number("aboutFrame", 0),
                      p.number("aboutValue", 0),
                      p.number("inTime", 1),
                      p.number("inValue", 1),
                      landing(p)),
              (e, out) -> {
                picks(out, e.picks());
                out.put("aboutFrame", e.aboutFrame()).put("aboutValue", e.aboutValue());
                out.put("inTime", e.inTime()).put("inValue", e.inValue());
                out.put("landing", JsonPlace.word(e.landing()));
              }),
          EditForm.of(
              "place-keys",
              PlaceKeys.class,
              PICKS + " frame value snap landing",
              p ->
                  new PlaceKeys(
                      picks(p),
                      maybe(p, "frame"),
                      maybe(p, "value"),
                      p.flag("snap", false),
                      landing(p)),
              (e, out) -> {
                picks(out, e.picks());
                e.frame().ifPresent(f -> out.put("frame", f));
                e.value().ifPresent(v -> out.put("value", v));
                out.put("snap", e.snap()).put("landing", JsonPlace.word(e.landing()));
              }),
          EditForm.of(
              "paste-keys",
              PasteKeys.class,
              "id frame keys way backwards",
              p ->
                  new PasteKeys(
                      id(p),
                      frame(p),
                      copied(p.get("keys")),
                      p.choice("way", PasteKeys.Way.class, PasteKeys.Way.SAME),
                      p.flag("backwards", false)),
              KeyForms::paste),
          EditForm.of(
              "set-takes-keys",
              SetTakesKeys.class,
              "id leftOut locked",
              p -> new SetTakesKeys(id(p), TakesKeysJson.read(p)),
              (e, out) -> TakesKeysJson.write(e.takesKeys(), out.put("id", e.id()))),
          EditForm.older(
              "set-key-filter",
              SetTakesKeys.class,
              "id leftOut locked",
              p -> new SetTakesKeys(id(p), TakesKeysJson.read(p))));

  private KeyForms() {}

  private static OptionalDouble maybe(JsonPlace p, String field) throws FormatException {
    return p.has(field) ? OptionalDouble.of(p.get(field).number()) : OptionalDouble.empty();
  }

  private static Map<Path, Double> values(JsonPlace place) throws FormatException {
    Map<Path, Double> values = new LinkedHashMap<>();
    for (String name : place.names()) {
      values.put(Path.parse(name), place.get(name).number());
    }
    return values;
  }

  private static Map<Path, List<Key>> copied(JsonPlace place) throws FormatException {
    Map<Path, List<Key>> keys = new LinkedHashMap<>();
    for (String name : place.names()) {
      keys.put(Path.parse(name), CurveJson.readKeys(place.get(name)));
    }
    return keys;
  }

  private static void paste(PasteKeys e, ObjectNode out) {
    out.put("id", e.id()).put("frame", e.frame());
    ObjectNode all = out.putObject("keys");
    e.keys()
        .forEach(
            (path, keys) -> {
              ArrayNode list = all.putArray(path.toString());
              keys.forEach(k -> list.add(CurveJson.write(k)));
            });
    out.put("way", JsonPlace.word(e.way())).put("backwards", e.backwards());
  }
}
