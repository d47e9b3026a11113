package idlelens.exchange.json;

import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Aim;
import idlelens.core.part.Backplate;
import idlelens.core.part.Carriage;
import idlelens.core.part.Carried;
import idlelens.core.part.Ease;
import idlelens.core.part.FrameUp;
import idlelens.core.part.HandOver;
import idlelens.core.part.Keys;
import idlelens.core.part.Lens;
import idlelens.core.part.Look;
import idlelens.core.part.Move;
import idlelens.core.part.PartBody;
import idlelens.core.part.Pin;
import idlelens.core.part.Recorded;
import idlelens.core.part.Ride;
import idlelens.core.part.RunIn;
import idlelens.core.part.Shake;
import idlelens.core.part.Shine;
import idlelens.core.part.Smooth;
import idlelens.core.part.Target;
import idlelens.core.part.Visible;
import idlelens.exchange.format.FormatException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The forms of all kinds of part. */
final class PartForms {
  static final List<PartForm<?>> ALL =
      List.of(
          PartForm.of(Keys.KIND, Keys.class, "", (body, p) -> new Keys(body), (part, out) -> {}),
          PartForm.of(Carried.KIND, Carried.class, "by", PartForms::carried, PartForms::carried),
          PartForm.of(
              Move.KIND,
              Move.class,
              "way amount easeIn easeOut softness after rounds pivot",
              PartForms::move,
              PartForms::move),
          PartForm.of(
              Ride.KIND,
              Ride.class,
              "rail turn bank bankLimit bankSmooth lookAhead pins",
              PartForms::ride,
              PartForms::ride),
          PartForm.of(
              Aim.KIND, Aim.class, "target second side roll", PartForms::aim, PartForms::aim),
          PartForm.of(
              FrameUp.KIND,
              FrameUp.class,
              "target way radius others",
              PartForms::frameUp,
              PartForms::frameUp),
          PartForm.of(
              Shake.KIND,
              Shake.class,
              String.join(" ", ShakeJson.FIELDS),
              ShakeJson::read,
              ShakeJson::write),
          PartForm.of(
              Recorded.KIND,
              Recorded.class,
              String.join(" ", RecordedJson.FIELDS),
              RecordedJson::read,
              RecordedJson::write),
          PartForm.of(
              Smooth.KIND,
              Smooth.class,
              String.join(" ", SmoothJson.FIELDS),
              SmoothJson::read,
              SmoothJson::write),
          PartForm.of(RunIn.KIND, RunIn.class, "before after", PartForms::runIn, PartForms::runIn),
          PartForm.of(
              Lens.KIND,
              Lens.class,
              String.join(" ", LensJson.FIELDS),
              (body, p) -> LensJson.readSettings(p).withBody(body),
              LensJson::write),
          PartForm.of(Look.KIND, Look.class, "", (body, p) -> new Look(body), (part, out) -> {}),
          PartForm.of(Shine.KIND, Shine.class, "", (body, p) -> new Shine(body), (part, out) -> {}),
          PartForm.of(
              Visible.KIND, Visible.class, "", (body, p) -> new Visible(body), (part, out) -> {}),
          PartForm.of(
              Backplate.KIND,
              Backplate.class,
              "pictures offset fit lies",
              PartForms::backplate,
              PartForms::backplate));

  private PartForms() {}

  private static Backplate backplate(PartBody body, JsonPlace p) throws FormatException {
    return new Backplate(
        body,
        p.has("pictures") ? Optional.of(PicturesJson.read(p.get("pictures"))) : Optional.empty(),
        p.number("offset", 0),
        p.choice("fit", Backplate.Fit.class, Backplate.Fit.WIDTH),
        p.choice("lies", Backplate.Lies.class, Backplate.Lies.BEHIND));
  }

  private static void backplate(Backplate part, ObjectNode out) {
    part.pictures().ifPresent(p -> PicturesJson.write(p, out.putObject("pictures")));
    if (part.offset() != 0) {
      out.put("offset", part.offset());
    }
    out.put("fit", JsonPlace.word(part.fit())).put("lies", JsonPlace.word(part.lies()));
  }

  private static RunIn runIn(PartBody body, JsonPlace p) throws FormatException {
    return new RunIn(
        body,
        p.choice("before", RunIn.Edge.class, RunIn.Edge.OWN),
        p.choice("after", RunIn.Edge.class, RunIn.Edge.OWN));
  }

  private static void runIn(RunIn part, ObjectNode out) {
    out.put("before", JsonPlace.word(part.before())).put("after", JsonPlace.word(part.after()));
  }

  private static FrameUp frameUp(PartBody body, JsonPlace p) throws FormatException {
    return new FrameUp(
        body,
        TargetJson.read(p.get("target")),
        p.choice("way", FrameUp.Way.class, FrameUp.Way.TURN),
        p.number("radius", 1),
        p.has("others") ? p.get("others").list(FrameUp.MOST_OTHERS, TargetJson::read) : List.of());
  }

  private static void frameUp(FrameUp part, ObjectNode out) {
    TargetJson.write(part.target(), out.putObject("target"));
    out.put("way", JsonPlace.word(part.way())).put("radius", part.radiusM());
    for (Target other : part.others()) {
      TargetJson.write(other, out.withArrayProperty("others").addObject());
    }
  }

  private static Carried carried(PartBody body, JsonPlace p) throws FormatException {
    if (!p.has("by")) {
      return new Carried(body, Carriage.WORLD);
    }
    JsonPlace by = p.get("by");
    List<Stretch> all = by.list(Carried.MOST + 1, PartForms::stretch);
    if (all.isEmpty()) {
      return new Carried(body, Carriage.WORLD);
    }
    List<HandOver> later = new ArrayList<>();
    for (int i = 0; i < all.size(); i++) {
      if (all.get(i).handOver().isPresent() == (i == 0)) {
        throw by.at(i).refusal(i == 0 ? "the first without a frame" : "with id and frame");
      }
      all.get(i).handOver().ifPresent(later::add);
    }
    return new Carried(body, all.get(0).carriage(), later);
  }

  /** An entry of a schedule: the first carrier, or a hand-over. */
  private record Stretch(Carriage carriage, Optional<HandOver> handOver) {}

  private static Stretch stretch(JsonPlace p) throws FormatException {
    p.only("id", "frame", "node", "offset", "settle");
    Carriage carriage = CarriageJson.read(p, "node");
    if (!p.has("frame")) {
      return new Stretch(carriage, Optional.empty());
    }
    Optional<RigidPose> offset =
        p.has("offset") ? Optional.of(carriage.offset()) : Optional.empty();
    String id = p.get("id").text();
    double frame = p.get("frame").number();
    return new Stretch(
        carriage,
        Optional.of(new HandOver(id, frame, carriage.carrierId(), offset, p.number("settle", 0))));
  }

  private static void carried(Carried part, ObjectNode out) {
    if (part.by().equals(Carriage.WORLD) && part.later().isEmpty()) {
      return;
    }
    ArrayNode by = out.putArray("by");
    CarriageJson.write(part.by(), by.addObject());
    for (HandOver next : part.later()) {
      ObjectNode each = by.addObject().put("id", next.id()).put("frame", next.frame());
      if (!next.carrierId().isEmpty()) {
        each.put("node", next.carrierId());
      }
      next.offset().ifPresent(offset -> CarriageJson.write(offset, each));
      if (next.settle() != 0) {
        each.put("settle", next.settle());
      }
    }
  }

  private static Move move(PartBody body, JsonPlace p) throws FormatException {
    return new Move(
        body,
        p.get("way").choice(Move.Way.class),
        p.number("amount", 0),
        new Ease(p.number("easeIn", 0), p.number("easeOut", 0), p.number("softness", 0)),
        p.choice("after", Move.After.class, Move.After.HELD),
        p.has("rounds") ? p.get("rounds").whole() : 1,
        p.has("pivot") ? TargetJson.read(p.get("pivot")) : new Target.Place(0, 0, 0));
  }

  private static void move(Move part, ObjectNode out) {
    out.put("way", JsonPlace.word(part.way())).put("amount", part.amount());
    out.put("easeIn", part.ease().in()).put("easeOut", part.ease().out());
    out.put("softness", part.ease().softness()).put("after", JsonPlace.word(part.after()));
    out.put("rounds", part.rounds());
    TargetJson.write(part.pivot(), out.putObject("pivot"));
  }

  private static Ride ride(PartBody body, JsonPlace p) throws FormatException {
    Ride.Banking none = Ride.Banking.NONE;
    return new Ride(
        body,
        p.get("rail").text(),
        p.choice("turn", Ride.Turn.class, Ride.Turn.LEVEL),
        new Ride.Banking(
            p.number("bank", 0), p.number("bankLimit", none.limitDeg()), p.number("bankSmooth", 0)),
        p.number("lookAhead", 0),
        p.has("pins") ? p.get("pins").list(Ride.MOST_PINS, PartForms::pin) : List.of());
  }

  private static Pin pin(JsonPlace p) throws FormatException {
    p.only("id", "frame", "anchor");
    return new Pin(p.get("id").text(), p.get("frame").number(), p.get("anchor").text());
  }

  private static void ride(Ride part, ObjectNode out) {
    Ride.Banking bank = part.banking();
    out.put("rail", part.railId()).put("turn", JsonPlace.word(part.turn()));
    if (!bank.equals(Ride.Banking.NONE)) {
      out.put("bank", bank.share()).put("bankLimit", bank.limitDeg());
      out.put("bankSmooth", bank.smoothFrames());
    }
    if (part.lookAheadM() != 0) {
      out.put("lookAhead", part.lookAheadM());
    }
    if (!part.pins().isEmpty()) {
      ArrayNode pins = out.putArray("pins");
      for (Pin pin : part.pins()) {
        pins.addObject()
            .put("id", pin.id())
            .put("frame", pin.frame())
            .put("anchor", pin.anchorId());
      }
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
