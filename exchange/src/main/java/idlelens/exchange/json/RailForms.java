package idlelens.exchange.json;

import static idlelens.exchange.json.EditParts.frame;
import static idlelens.exchange.json.EditParts.id;
import static idlelens.exchange.json.EditParts.texts;

import idlelens.core.edit.AddRail;
import idlelens.core.edit.JoinRails;
import idlelens.core.edit.PinRide;
import idlelens.core.edit.RailChange;
import idlelens.core.edit.RailFromKeys;
import idlelens.core.edit.RailSource;
import idlelens.core.edit.RideRail;
import idlelens.core.edit.ShapeRail;
import idlelens.core.edit.SplitRail;
import idlelens.core.rail.Anchor;
import idlelens.core.rail.StrokeFit;
import idlelens.exchange.format.FormatException;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Edits of rails and of what rides them. */
final class RailForms {
  static final List<EditForm<?>> ALL =
      List.of(
          EditForm.of(
              "add-rail",
              AddRail.class,
              "newId name place pan shape length radius degrees rise points tolerance closed",
              RailForms::added,
              RailForms::added),
          EditForm.of(
              "shape-rail",
              ShapeRail.class,
              "id change anchors anchor side dx dy dz alone kind newId end place closed",
              p -> new ShapeRail(id(p), change(p)),
              (e, out) -> change(e.change(), out.put("id", e.id()))),
          EditForm.of(
              "join-rails",
              JoinRails.class,
              "id other frame",
              p -> new JoinRails(id(p), p.get("other").text(), frame(p)),
              (e, out) -> out.put("id", e.id()).put("other", e.other()).put("frame", e.frame())),
          EditForm.of(
              "split-rail",
              SplitRail.class,
              "id anchor newId newName",
              p ->
                  new SplitRail(
                      id(p),
                      p.get("anchor").text(),
                      p.get("newId").text(),
                      p.get("newName").text()),
              (e, out) ->
                  out.put("id", e.id())
                      .put("anchor", e.anchorId())
                      .put("newId", e.newId())
                      .put("newName", e.newName())),
          EditForm.of(
              "ride-rail",
              RideRail.class,
              "id rail from to partId",
              p ->
                  new RideRail(
                      id(p),
                      p.get("rail").text(),
                      p.get("from").number(),
                      p.get("to").number(),
                      p.get("partId").text()),
              (e, out) ->
                  out.put("id", e.id())
                      .put("rail", e.railId())
                      .put("from", e.from())
                      .put("to", e.to())
                      .put("partId", e.partId())),
          EditForm.of(
              "rail-from-keys",
              RailFromKeys.class,
              "id newId name tolerance partId",
              p ->
                  new RailFromKeys(
                      id(p),
                      p.get("newId").text(),
                      p.get("name").text(),
                      p.number("tolerance", 0.02),
                      p.get("partId").text()),
              (e, out) ->
                  out.put("id", e.id())
                      .put("newId", e.newId())
                      .put("name", e.name())
                      .put("tolerance", e.toleranceM())
                      .put("partId", e.partId())),
          EditForm.of(
              "pin-ride",
              PinRide.class,
              "id rail frame anchor newId",
              p ->
                  new PinRide(
                      id(p),
                      p.get("rail").text(),
                      frame(p),
                      p.has("anchor") ? Optional.of(p.get("anchor").text()) : Optional.empty(),
                      p.get("newId").text()),
              (e, out) -> {
                out.put("id", e.id()).put("rail", e.railId()).put("frame", e.frame());
                e.anchorId().ifPresent(anchor -> out.put("anchor", anchor));
                out.put("newId", e.newId());
              }));

  /** What becomes of a rail's shape. */
  private enum Change {
    MOVE,
    TURN,
    KIND,
    INSERT,
    EXTEND,
    REMOVE,
    REVERSE,
    CLOSE
  }

  private enum Shape {
    LINE,
    CIRCLE,
    HELIX,
    PLACED,
    DRAWN
  }

  private enum Side {
    IN,
    OUT
  }

  private enum End {
    START,
    END
  }

  private RailForms() {}

  private static RailChange change(JsonPlace p) throws FormatException {
    return switch (p.get("change").choice(Change.class)) {
      case MOVE ->
          new RailChange.Move(
              texts(p.get("anchors")), p.number("dx", 0), p.number("dy", 0), p.number("dz", 0));
      case TURN ->
          new RailChange.Turn(
              p.get("anchor").text(),
              p.get("side").choice(Side.class) == Side.OUT,
              p.number("dx", 0),
              p.number("dy", 0),
              p.number("dz", 0),
              p.flag("alone", false));
      case KIND ->
          new RailChange.Kinds(texts(p.get("anchors")), p.get("kind").choice(Anchor.Kind.class));
      case INSERT -> inserted(p);
      case EXTEND -> extended(p);
      case REMOVE -> new RailChange.Remove(texts(p.get("anchors")));
      case REVERSE -> new RailChange.Reverse();
      case CLOSE -> new RailChange.Close(p.get("closed").flag());
    };
  }

  private static RailChange inserted(JsonPlace p) throws FormatException {
    JsonPlace place = p.get("place");
    return new RailChange.Insert(
        place.at(0).number(), place.at(1).number(), place.at(2).number(), p.get("newId").text());
  }

  private static RailChange extended(JsonPlace p) throws FormatException {
    JsonPlace place = p.get("place");
    return new RailChange.Extend(
        p.choice("end", End.class, End.END) == End.START,
        place.at(0).number(),
        place.at(1).number(),
        place.at(2).number(),
        p.get("newId").text());
  }

  private static void change(RailChange change, ObjectNode out) {
    if (change instanceof RailChange.Move c) {
      out.put("change", "move").put("dx", c.dx()).put("dy", c.dy()).put("dz", c.dz());
      texts(out, "anchors", c.anchors());
    } else if (change instanceof RailChange.Turn c) {
      out.put("change", "turn").put("anchor", c.anchor()).put("side", c.out() ? "out" : "in");
      out.put("dx", c.dx()).put("dy", c.dy()).put("dz", c.dz()).put("alone", c.alone());
    } else if (change instanceof RailChange.Kinds c) {
      out.put("change", "kind").put("kind", JsonPlace.word(c.kind()));
      texts(out, "anchors", c.anchors());
    } else if (change instanceof RailChange.Insert c) {
      numbers(out.put("change", "insert"), "place", List.of(c.x(), c.y(), c.z()));
      out.put("newId", c.newId());
    } else if (change instanceof RailChange.Extend c) {
      out.put("change", "extend").put("end", c.atStart() ? "start" : "end");
      numbers(out, "place", List.of(c.x(), c.y(), c.z()));
      out.put("newId", c.newId());
    } else if (change instanceof RailChange.Remove c) {
      texts(out.put("change", "remove"), "anchors", c.anchors());
    } else if (change instanceof RailChange.Close c) {
      out.put("change", "close").put("closed", c.closed());
    } else {
      out.put("change", "reverse");
    }
  }

  private static AddRail added(JsonPlace p) throws FormatException {
    JsonPlace place = p.get("place");
    return new AddRail(
        p.get("newId").text(),
        p.get("name").text(),
        place.at(0).number(),
        place.at(1).number(),
        place.at(2).number(),
        p.number("pan", 0),
        source(p));
  }

  private static RailSource source(JsonPlace p) throws FormatException {
    return switch (p.get("shape").choice(Shape.class)) {
      case LINE -> new RailSource.Line(p.number("length", 5));
      case CIRCLE -> new RailSource.Circle(p.number("radius", 2));
      case HELIX ->
          new RailSource.Helix(
              p.number("radius", 2), p.number("degrees", 360), p.number("rise", 0));
      case PLACED -> new RailSource.Placed(points(p), p.flag("closed", false));
      case DRAWN ->
          new RailSource.Drawn(points(p), p.number("tolerance", 0.05), p.flag("closed", false));
    };
  }

  private static List<Double> points(JsonPlace p) throws FormatException {
    return p.get("points").list(3 * StrokeFit.MOST_POINTS, JsonPlace::number);
  }

  private static void added(AddRail e, ObjectNode out) {
    out.put("newId", e.newId()).put("name", e.name());
    numbers(out, "place", List.of(e.x(), e.y(), e.z()));
    out.put("pan", e.pan());
    if (e.source() instanceof RailSource.Line s) {
      out.put("shape", "line").put("length", s.lengthM());
    } else if (e.source() instanceof RailSource.Circle s) {
      out.put("shape", "circle").put("radius", s.radiusM());
    } else if (e.source() instanceof RailSource.Helix s) {
      out.put("shape", "helix").put("radius", s.radiusM()).put("degrees", s.degrees());
      out.put("rise", s.riseM());
    } else if (e.source() instanceof RailSource.Placed s) {
      numbers(out.put("shape", "placed").put("closed", s.closed()), "points", s.numbers());
    } else if (e.source() instanceof RailSource.Drawn s) {
      numbers(out.put("shape", "drawn").put("closed", s.closed()), "points", s.numbers());
      out.put("tolerance", s.toleranceM());
    }
  }

  private static void numbers(ObjectNode out, String field, List<Double> numbers) {
    ArrayNode all = out.putArray(field);
    numbers.forEach(all::add);
  }
}
