package idlelens.exchange.json;

import static idlelens.exchange.json.EditParts.frame;
import static idlelens.exchange.json.EditParts.id;
import static idlelens.exchange.json.EditParts.keyed;
import static idlelens.exchange.json.EditParts.keying;
import static idlelens.exchange.json.EditParts.nodes;
import static idlelens.exchange.json.EditParts.texts;

import idlelens.core.curve.Tangent;
import idlelens.core.edit.AddNodes;
import idlelens.core.edit.ChangeHeader;
import idlelens.core.edit.Duplicate;
import idlelens.core.edit.Keep;
import idlelens.core.edit.LiftShake;
import idlelens.core.edit.RemoveNodes;
import idlelens.core.edit.Rename;
import idlelens.core.edit.Restore;
import idlelens.core.edit.SetFieldOfView;
import idlelens.core.edit.SetHaze;
import idlelens.core.edit.SetHidden;
import idlelens.core.edit.SetLight;
import idlelens.core.edit.SetMist;
import idlelens.core.edit.SetPicture;
import idlelens.core.edit.SetPiece;
import idlelens.core.edit.SetRepeat;
import idlelens.core.edit.SetSun;
import idlelens.core.edit.SpeedMove;
import idlelens.core.edit.ToNewCamera;
import idlelens.core.scene.Hidden;
import idlelens.core.scene.Marker;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.node.ObjectNode;

/** Edits of the shot, of what is on set, and of how it looks. */
final class SetForms {
  static final List<EditForm<?>> ALL =
      List.of(
          EditForm.of(
              "change-header",
              ChangeHeader.class,
              "name rate in out handles aspect metresPerUnit newKeys",
              SetForms::header,
              SetForms::header),
          EditForm.of(
              "add-nodes",
              AddNodes.class,
              "nodes",
              p -> new AddNodes(nodes(p.get("nodes"))),
              (e, out) -> nodes(out, "nodes", e.nodes())),
          EditForm.of(
              "remove-nodes",
              RemoveNodes.class,
              "ids frame withCarried keep",
              p ->
                  new RemoveNodes(
                      texts(p.get("ids")),
                      frame(p),
                      p.flag("withCarried", false),
                      p.choice("keep", Keep.class, Keep.PLACE)),
              (e, out) -> {
                texts(out, "ids", e.ids());
                out.put("frame", e.frame()).put("withCarried", e.withCarried());
                if (e.keep() != Keep.PLACE) {
                  out.put("keep", JsonPlace.word(e.keep()));
                }
              }),
          EditForm.of(
              "duplicate",
              Duplicate.class,
              "id newId newName",
              p -> new Duplicate(id(p), p.get("newId").text(), p.get("newName").text()),
              (e, out) ->
                  out.put("id", e.id()).put("newId", e.newId()).put("newName", e.newName())),
          EditForm.of(
              "to-new-camera",
              ToNewCamera.class,
              "id newId newName keep tolerance",
              p ->
                  new ToNewCamera(
                      id(p),
                      p.get("newId").text(),
                      p.get("newName").text(),
                      p.choice("keep", Keep.class, Keep.EVERY_FRAME),
                      p.number("tolerance", 1)),
              (e, out) ->
                  out.put("id", e.id())
                      .put("newId", e.newId())
                      .put("newName", e.newName())
                      .put("keep", JsonPlace.word(e.keep()))
                      .put("tolerance", e.tolerance())),
          EditForm.of(
              "speed-move",
              SpeedMove.class,
              "id kind from to amount newId",
              p ->
                  new SpeedMove(
                      id(p),
                      p.get("kind").choice(SpeedMove.Kind.class),
                      p.get("from").number(),
                      p.get("to").number(),
                      p.get("amount").number(),
                      p.get("newId").text()),
              (e, out) ->
                  out.put("id", e.id())
                      .put("kind", JsonPlace.word(e.kind()))
                      .put("from", e.from())
                      .put("to", e.to())
                      .put("amount", e.amount())
                      .put("newId", e.newId())),
          EditForm.of(
              "lift-shake",
              LiftShake.class,
              "id part to newPart name",
              p ->
                  new LiftShake(
                      id(p),
                      p.get("part").text(),
                      p.get("to").text(),
                      p.get("newPart").text(),
                      p.get("name").text()),
              (e, out) ->
                  out.put("id", e.id())
                      .put("part", e.part())
                      .put("to", e.to())
                      .put("newPart", e.newPart())
                      .put("name", e.name())),
          EditForm.of(
              "rename",
              Rename.class,
              "id name",
              p -> new Rename(id(p), p.get("name").text()),
              (e, out) -> out.put("id", e.id()).put("name", e.name())),
          EditForm.of(
              "set-hidden",
              SetHidden.class,
              "id hidden",
              p -> new SetHidden(id(p), HiddenJson.read(p)),
              (e, out) -> {
                HiddenJson.write(e.hidden(), out.put("id", e.id()));
                if (e.hidden().equals(Hidden.NOWHERE)) {
                  out.put("hidden", false);
                }
              }),
          EditForm.of(
              "set-field-of-view",
              SetFieldOfView.class,
              "id frame side degrees keying",
              p ->
                  new SetFieldOfView(
                      id(p),
                      frame(p),
                      p.get("side").choice(SetFieldOfView.Side.class),
                      p.get("degrees").number(),
                      keying(p)),
              (e, out) -> {
                keyed(out, e.id(), e.frame(), e.keying());
                out.put("side", JsonPlace.word(e.side())).put("degrees", e.degrees());
              }),
          EditForm.of(
              "set-piece",
              SetPiece.class,
              "id shape finish",
              p ->
                  new SetPiece(
                      id(p), ShapeJson.read(p.get("shape")), ShapeJson.readFinish(p.get("finish"))),
              (e, out) -> {
                out.put("id", e.id()).set("shape", ShapeJson.write(e.shape()));
                out.set("finish", ShapeJson.write(e.finish()));
              }),
          EditForm.of(
              "set-sun",
              SetSun.class,
              "id colour strength",
              p -> new SetSun(id(p), p.get("colour").text(), p.get("strength").number()),
              (e, out) ->
                  out.put("id", e.id()).put("colour", e.colour()).put("strength", e.strength())),
          EditForm.of(
              "set-repeat",
              SetRepeat.class,
              "id repeat",
              p -> new SetRepeat(id(p), RepeatJson.read(p.get("repeat"))),
              (e, out) -> out.put("id", e.id()).set("repeat", RepeatJson.write(e.repetition()))),
          EditForm.of(
              "set-light",
              SetLight.class,
              "id lamp",
              p -> new SetLight(id(p), LampJson.read(p.get("lamp"))),
              (e, out) -> out.put("id", e.id()).set("lamp", LampJson.write(e.lamp()))),
          EditForm.of(
              "set-mist",
              SetMist.class,
              "id mist",
              p -> new SetMist(id(p), AirJson.readMist(p.get("mist"))),
              (e, out) -> out.put("id", e.id()).set("mist", AirJson.write(e.drift()))),
          EditForm.of(
              "set-haze",
              SetHaze.class,
              "id haze",
              p -> new SetHaze(id(p), AirJson.readHaze(p.get("haze"))),
              (e, out) -> out.put("id", e.id()).set("haze", AirJson.write(e.haze()))),
          EditForm.of(
              "set-picture",
              SetPicture.class,
              "picture",
              p -> new SetPicture(PictureJson.read(p.get("picture"))),
              (e, out) -> out.set("picture", PictureJson.write(e.picture()))),
          EditForm.of(
              "restore",
              Restore.class,
              "header nodes order markers program picture",
              SetForms::restore,
              SetForms::restore));

  private SetForms() {}

  private static ChangeHeader header(JsonPlace p) throws FormatException {
    return new ChangeHeader(
        p.has("name") ? Optional.of(p.get("name").text()) : Optional.empty(),
        p.has("rate") ? Optional.of(FrameRate.parse(p.get("rate").text())) : Optional.empty(),
        p.has("in") || p.has("out")
            ? Optional.of(new FrameRange(p.get("in").whole(), p.get("out").whole()))
            : Optional.empty(),
        p.has("handles") ? Optional.of(p.get("handles").whole()) : Optional.empty(),
        p.has("aspect") ? Optional.of(p.get("aspect").number()) : Optional.empty(),
        p.has("metresPerUnit") ? Optional.of(p.get("metresPerUnit").number()) : Optional.empty(),
        p.has("newKeys")
            ? Optional.of(p.get("newKeys").choice(Tangent.Kind.class))
            : Optional.empty());
  }

  private static void header(ChangeHeader e, ObjectNode out) {
    e.name().ifPresent(n -> out.put("name", n));
    e.rate().ifPresent(r -> out.put("rate", r.toString()));
    e.range().ifPresent(r -> out.put("in", r.in()).put("out", r.out()));
    e.handles().ifPresent(h -> out.put("handles", h));
    e.aspect().ifPresent(a -> out.put("aspect", a));
    e.metresPerUnit().ifPresent(m -> out.put("metresPerUnit", m));
    e.newKeys().ifPresent(k -> out.put("newKeys", JsonPlace.word(k)));
  }

  private static Restore restore(JsonPlace p) throws FormatException {
    return new Restore(
        p.has("header") ? Optional.of(ShotJson.readHeader(p.get("header"))) : Optional.empty(),
        nodes(p.get("nodes")),
        texts(p.get("order")),
        p.has("markers")
            ? Optional.of(p.get("markers").list(Marker.MOST, MarkerJson::read))
            : Optional.empty(),
        p.has("program") ? Optional.of(ProgramJson.read(p.get("program"))) : Optional.empty(),
        p.has("picture") ? Optional.of(PictureJson.read(p.get("picture"))) : Optional.empty());
  }

  private static void restore(Restore e, ObjectNode out) {
    nodes(out, "nodes", e.nodes());
    texts(out, "order", e.order());
    e.header().ifPresent(h -> out.set("header", ShotJson.writeHeader(h)));
    e.markers().ifPresent(m -> out.set("markers", MarkerJson.write(m)));
    e.program().ifPresent(program -> out.set("program", ProgramJson.write(program)));
    e.picture().ifPresent(picture -> out.set("picture", PictureJson.write(picture)));
  }
}
