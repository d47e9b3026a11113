package idlelens.exchange.json;

import static idlelens.exchange.json.EditParts.frame;
import static idlelens.exchange.json.EditParts.id;
import static idlelens.exchange.json.EditParts.keyed;
import static idlelens.exchange.json.EditParts.keying;
import static idlelens.exchange.json.EditParts.texts;

import idlelens.core.edit.AddCarrier;
import idlelens.core.edit.CarrierKind;
import idlelens.core.edit.Carry;
import idlelens.core.edit.CopyMotion;
import idlelens.core.edit.CopyPose;
import idlelens.core.edit.FrameSubject;
import idlelens.core.edit.HandOverTo;
import idlelens.core.edit.HoldSize;
import idlelens.core.edit.Keep;
import idlelens.core.edit.KeepFramed;
import idlelens.core.edit.KeysToMoves;
import idlelens.core.edit.Meeting;
import idlelens.core.edit.MovesToKeys;
import idlelens.core.edit.Rebase;
import idlelens.core.edit.ZeroOut;
import idlelens.core.lens.Framing;
import idlelens.core.part.FrameUp;
import idlelens.exchange.format.FormatException;
import java.util.List;
import java.util.OptionalDouble;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Edits of who carries whom, and of how a rig is built. */
final class RigForms {
  static final List<EditForm<?>> ALL =
      List.of(
          EditForm.of(
              "keys-to-moves",
              KeysToMoves.class,
              "id newId toleranceM toleranceDeg",
              p ->
                  new KeysToMoves(
                      id(p),
                      p.get("newId").text(),
                      p.number("toleranceM", 0.01),
                      p.number("toleranceDeg", 0.1)),
              (e, out) ->
                  out.put("id", e.id())
                      .put("newId", e.newId())
                      .put("toleranceM", e.toleranceM())
                      .put("toleranceDeg", e.toleranceDeg())),
          EditForm.of(
              "frame-subject",
              FrameSubject.class,
              "id subjects across up size way from to keying",
              RigForms::frameSubject,
              RigForms::frameSubject),
          EditForm.of(
              "hold-size",
              HoldSize.class,
              "id subject way at focal from to keying",
              RigForms::holdSize,
              RigForms::holdSize),
          EditForm.of(
              "keep-framed",
              KeepFramed.class,
              "id newId subjects across up size way",
              RigForms::keepFramed,
              RigForms::keepFramed),
          EditForm.of(
              "carry",
              Carry.class,
              "id carrier frame keepPlace keep",
              p -> new Carry(id(p), p.text("carrier", ""), frame(p), keep(p)),
              (e, out) -> {
                out.put("id", e.id()).put("carrier", e.carrierId()).put("frame", e.frame());
                if (e.keep().isMotion()) {
                  out.put("keep", JsonPlace.word(e.keep()));
                } else {
                  out.put("keepPlace", e.keep() == Keep.PLACE);
                }
              }),
          EditForm.of(
              "hand-over",
              HandOverTo.class,
              "id carrier frame meeting over",
              p ->
                  new HandOverTo(
                      id(p),
                      frame(p),
                      p.text("carrier", ""),
                      p.choice("meeting", Meeting.class, Meeting.JOINED),
                      p.number("over", 0)),
              RigForms::handOver),
          EditForm.of(
              "add-carrier",
              AddCarrier.class,
              "kind ids frame newId stem centre arm order",
              RigForms::carrier,
              RigForms::carrier),
          EditForm.of(
              "rebase",
              Rebase.class,
              "id frame place turn keep",
              RigForms::rebase,
              (e, out) -> {
                out.put("id", e.id()).put("frame", e.frame());
                numbers(out, "place", List.of(e.x(), e.y(), e.z()));
                if (!e.turn().isEmpty()) {
                  numbers(out, "turn", e.turn());
                }
                out.put("keep", JsonPlace.word(e.keep()));
              }),
          EditForm.of(
              "zero-out",
              ZeroOut.class,
              "id keep",
              p -> new ZeroOut(id(p), p.choice("keep", Keep.class, Keep.PLACE)),
              (e, out) -> out.put("id", e.id()).put("keep", JsonPlace.word(e.keep()))),
          EditForm.of(
              "copy-pose",
              CopyPose.class,
              "id from frame keying",
              p -> new CopyPose(id(p), p.get("from").text(), frame(p), keying(p)),
              (e, out) -> {
                keyed(out, e.id(), e.frame(), e.keying());
                out.put("from", e.from());
              }),
          EditForm.of(
              "moves-to-keys",
              MovesToKeys.class,
              "id keep",
              p -> new MovesToKeys(id(p), p.choice("keep", Keep.class, Keep.FITTED)),
              (e, out) -> out.put("id", e.id()).put("keep", JsonPlace.word(e.keep()))),
          EditForm.of(
              "copy-motion",
              CopyMotion.class,
              "id from keep",
              p ->
                  new CopyMotion(
                      id(p), p.get("from").text(), p.choice("keep", Keep.class, Keep.FITTED)),
              (e, out) ->
                  out.put("id", e.id())
                      .put("from", e.from())
                      .put("keep", JsonPlace.word(e.keep()))));

  private RigForms() {}

  private static void handOver(HandOverTo e, ObjectNode out) {
    out.put("id", e.id()).put("carrier", e.carrierId()).put("frame", e.frame());
    out.put("meeting", JsonPlace.word(e.meeting()));
    if (e.over() != 0) {
      out.put("over", e.over());
    }
  }

  private static Keep keep(JsonPlace p) throws FormatException {
    return p.choice("keep", Keep.class, p.flag("keepPlace", true) ? Keep.PLACE : Keep.NUMBERS);
  }

  private static Rebase rebase(JsonPlace p) throws FormatException {
    JsonPlace place = p.get("place");
    return new Rebase(
        id(p),
        frame(p),
        place.at(0).number(),
        place.at(1).number(),
        place.at(2).number(),
        p.has("turn") ? p.get("turn").list(3, JsonPlace::number) : List.of(),
        p.choice("keep", Keep.class, Keep.PLACE));
  }

  private static AddCarrier carrier(JsonPlace p) throws FormatException {
    return new AddCarrier(
        p.get("kind").choice(CarrierKind.class),
        texts(p.get("ids")),
        frame(p),
        p.get("newId").text(),
        p.get("stem").text(),
        p.has("centre") ? p.get("centre").list(3, JsonPlace::number) : List.of(),
        p.number("arm", 2),
        p.text("order", "ptr"));
  }

  private static void carrier(AddCarrier e, ObjectNode out) {
    out.put("kind", JsonPlace.word(e.kind()));
    texts(out, "ids", e.ids());
    out.put("frame", e.frame()).put("newId", e.newId()).put("stem", e.stem());
    if (!e.centre().isEmpty()) {
      numbers(out, "centre", e.centre());
    }
    out.put("arm", e.armM()).put("order", e.order());
  }

  private static void numbers(ObjectNode out, String field, List<Double> numbers) {
    ArrayNode all = out.putArray(field);
    numbers.forEach(all::add);
  }

  private static HoldSize holdSize(JsonPlace p) throws FormatException {
    int from = p.get("from").whole();
    return new HoldSize(
        id(p),
        TargetJson.read(p.get("subject")),
        p.choice("way", HoldSize.Way.class, HoldSize.Way.LENS),
        p.get("at").number(),
        p.has("focal") ? OptionalDouble.of(p.get("focal").number()) : OptionalDouble.empty(),
        from,
        p.has("to") ? p.get("to").whole() : from,
        keying(p));
  }

  private static void holdSize(HoldSize e, ObjectNode out) {
    TargetJson.write(e.subject(), out.put("id", e.id()).putObject("subject"));
    out.put("way", JsonPlace.word(e.way())).put("at", e.at());
    e.focalMm().ifPresent(focal -> out.put("focal", focal));
    out.put("from", e.from()).put("to", e.to()).put("keying", JsonPlace.word(e.keying()));
  }

  private static FrameSubject frameSubject(JsonPlace p) throws FormatException {
    int from = p.get("from").whole();
    return new FrameSubject(
        id(p),
        texts(p.get("subjects")),
        framing(p),
        size(p),
        p.get("way").choice(FrameUp.Way.class),
        from,
        p.has("to") ? p.get("to").whole() : from,
        keying(p));
  }

  private static KeepFramed keepFramed(JsonPlace p) throws FormatException {
    return new KeepFramed(
        id(p),
        p.get("newId").text(),
        texts(p.get("subjects")),
        framing(p),
        size(p),
        p.get("way").choice(FrameUp.Way.class));
  }

  private static void keepFramed(KeepFramed e, ObjectNode out) {
    texts(out.put("id", e.id()).put("newId", e.newId()), "subjects", e.subjects());
    write(e.framing(), e.size(), out).put("way", JsonPlace.word(e.way()));
  }

  private static Framing framing(JsonPlace p) throws FormatException {
    return new Framing(p.number("across", 0), p.number("up", 0));
  }

  private static OptionalDouble size(JsonPlace p) throws FormatException {
    return p.has("size") ? OptionalDouble.of(p.get("size").number()) : OptionalDouble.empty();
  }

  private static ObjectNode write(Framing framing, OptionalDouble size, ObjectNode out) {
    out.put("across", framing.x()).put("up", framing.y());
    size.ifPresent(value -> out.put("size", value));
    return out;
  }

  private static void frameSubject(FrameSubject e, ObjectNode out) {
    texts(out.put("id", e.id()), "subjects", e.subjects());
    write(e.framing(), e.size(), out);
    out.put("way", JsonPlace.word(e.way())).put("from", e.from()).put("to", e.to());
    out.put("keying", JsonPlace.word(e.keying()));
  }
}
