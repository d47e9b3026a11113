package idlelens.exchange.json;

import idlelens.core.set.Bounds;
import idlelens.core.set.Finish;
import idlelens.core.set.Lettering;
import idlelens.core.set.Shape;
import idlelens.exchange.format.FormatException;
import java.util.Optional;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Shapes and finishes. */
final class ShapeJson {
  private ShapeJson() {}

  static ObjectNode write(Shape shape) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    if (shape instanceof Shape.Box b) {
      out.put("kind", "box").put("width", b.width()).put("height", b.height());
      return out.put("depth", b.depth());
    } else if (shape instanceof Shape.Cylinder c) {
      out.put("kind", "cylinder").put("radiusBottom", c.radiusBottom());
      return out.put("radiusTop", c.radiusTop()).put("height", c.height());
    } else if (shape instanceof Shape.Sphere s) {
      return out.put("kind", "sphere").put("radius", s.radius());
    } else if (shape instanceof Shape.Plane p) {
      return out.put("kind", "plane").put("width", p.width()).put("depth", p.depth());
    } else if (shape instanceof Shape.Person p) {
      return out.put("kind", "person").put("height", p.height());
    } else if (shape instanceof Shape.Stair s) {
      out.put("kind", "stair").put("width", s.width()).put("rise", s.rise());
      return out.put("run", s.run()).put("steps", s.steps()).put("fourSided", s.fourSided());
    } else if (shape instanceof Shape.Arch a) {
      out.put("kind", "arch").put("width", a.width()).put("height", a.height());
      return out.put("depth", a.depth()).put("opening", a.opening());
    } else if (shape instanceof Shape.Card c) {
      return out.put("kind", "card").put("width", c.width()).put("height", c.height());
    } else if (shape instanceof Shape.Decking d) {
      out.put("kind", "decking").put("width", d.width()).put("length", d.length());
      return out.put("plank", d.plank()).put("gap", d.gap());
    } else if (shape instanceof Shape.Roof r) {
      out.put("kind", "roof").put("width", r.width()).put("height", r.height());
      return out.put("depth", r.depth());
    } else if (shape instanceof Shape.Hull h) {
      out.put("kind", "hull").put("beam", h.beam()).put("height", h.height());
      return out.put("length", h.length());
    }
    Shape.Imported i = (Shape.Imported) shape;
    out.put("kind", "imported").put("asset", i.asset()).put("triangles", i.triangles());
    Bounds b = i.bounds();
    out.putArray("bounds")
        .add(b.minX())
        .add(b.minY())
        .add(b.minZ())
        .add(b.maxX())
        .add(b.maxY())
        .add(b.maxZ());
    return out;
  }

  static Shape read(JsonPlace p) throws FormatException {
    switch (p.get("kind").text()) {
      case "box":
        p.only("kind", "width", "height", "depth");
        return new Shape.Box(n(p, "width"), n(p, "height"), n(p, "depth"));
      case "cylinder":
        p.only("kind", "radiusBottom", "radiusTop", "height");
        return new Shape.Cylinder(n(p, "radiusBottom"), n(p, "radiusTop"), n(p, "height"));
      case "sphere":
        p.only("kind", "radius");
        return new Shape.Sphere(n(p, "radius"));
      case "plane":
        p.only("kind", "width", "depth");
        return new Shape.Plane(n(p, "width"), n(p, "depth"));
      case "person":
        p.only("kind", "height");
        return new Shape.Person(n(p, "height"));
      case "stair":
        p.only("kind", "width", "rise", "run", "steps", "fourSided");
        return new Shape.Stair(
            n(p, "width"),
            n(p, "rise"),
            n(p, "run"),
            p.get("steps").whole(),
            p.flag("fourSided", false));
      case "arch":
        p.only("kind", "width", "height", "depth", "opening");
        return new Shape.Arch(n(p, "width"), n(p, "height"), n(p, "depth"), n(p, "opening"));
      case "card":
        p.only("kind", "width", "height");
        return new Shape.Card(n(p, "width"), n(p, "height"));
      case "decking":
        p.only("kind", "width", "length", "plank", "gap");
        return new Shape.Decking(n(p, "width"), n(p, "length"), n(p, "plank"), n(p, "gap"));
      case "roof":
        p.only("kind", "width", "height", "depth");
        return new Shape.Roof(n(p, "width"), n(p, "height"), n(p, "depth"));
      case "hull":
        p.only("kind", "beam", "height", "length");
        return new Shape.Hull(n(p, "beam"), n(p, "height"), n(p, "length"));
      case "imported":
        p.only("kind", "asset", "triangles", "bounds");
        JsonPlace b = p.get("bounds");
        return new Shape.Imported(
            p.get("asset").text(),
            new Bounds(
                b.at(0).number(),
                b.at(1).number(),
                b.at(2).number(),
                b.at(3).number(),
                b.at(4).number(),
                b.at(5).number()),
            p.get("triangles").whole());
      default:
        throw p.get("kind")
            .refusal(
                "box, cylinder, sphere, plane, person, stair, arch, card, decking, roof, hull,"
                    + " imported");
    }
  }

  private static double n(JsonPlace place, String field) throws FormatException {
    return place.get(field).number();
  }

  static ObjectNode write(Finish finish) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("colour", finish.colour()).put("kind", JsonPlace.word(finish.kind()));
    finish.lettering().ifPresent(text -> write(text, out.putObject("text")));
    finish
        .pictures()
        .ifPresent(pictures -> PicturesJson.write(pictures, out.putObject("pictures")));
    return out;
  }

  private static void write(Lettering text, ObjectNode out) {
    text.lines().forEach(out.putArray("lines")::add);
    out.put("ink", text.ink()).put("line", text.lineM());
    out.put("face", JsonPlace.word(text.face()));
    if (text.bold()) {
      out.put("bold", true);
    }
  }

  static Finish readFinish(JsonPlace place) throws FormatException {
    place.only("colour", "kind", "text", "pictures");
    return new Finish(
        place.get("colour").text(),
        place.choice("kind", Finish.Kind.class, Finish.Kind.MATT),
        place.has("text") ? Optional.of(readText(place.get("text"))) : Optional.empty(),
        place.has("pictures")
            ? Optional.of(PicturesJson.read(place.get("pictures")))
            : Optional.empty());
  }

  private static Lettering readText(JsonPlace p) throws FormatException {
    p.only("lines", "ink", "line", "face", "bold");
    return new Lettering(
        p.get("lines").list(Lettering.MOST_LINES, JsonPlace::text),
        p.text("ink", "#1d2930"),
        p.get("line").number(),
        p.choice("face", Lettering.Face.class, Lettering.Face.WORDS),
        p.flag("bold", false));
  }
}
