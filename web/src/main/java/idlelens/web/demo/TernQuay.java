package idlelens.web.demo;

import static idlelens.web.demo.SetBuilder.At.on;
import static idlelens.web.demo.SetBuilder.At.world;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.set.Finish;
import idlelens.core.set.Lamp;
import idlelens.core.set.Lettering;
import idlelens.core.set.Shape;
import java.util.List;
import java.util.Optional;

/**
 * The harbour in real sizes. The boardwalk runs along Z, its surface at height 0; the water lies
 * 1.3 m below; the lamp house stands at its far end, the net loft on its left, the ferry on its
 * right.
 */
final class TernQuay {
  private static final double WATER = -1.3;
  private static final String IRON = "#3d4347";
  private static final String WOOD = "#b08d57";

  private TernQuay() {}

  static void build(SetBuilder set) {
    set.sun("Low sun", "#ffd9a6", 1.15, 62, -17);
    ground(set);
    boardwalk(set);
    lampHouse(set);
    netLoft(set);
    ferry(set);
    crates(set);
    boards(set);
    lanterns(set);
    set.piece(
        "Keeper",
        new Shape.Person(Shape.Person.USUAL_HEIGHT),
        "#4d86a3",
        world(1.05, 0, -2.4).turned(158));
  }

  private static void ground(SetBuilder set) {
    set.piece(
        "Water",
        new Shape.Plane(900, 900),
        new Finish("#5d8790", Finish.Kind.WATER),
        world(0, WATER, 0));
    set.piece("Quay", new Shape.Box(13, 2.6, 21), "#8d877c", world(-9.2, -2.65, -10.5));
    set.piece("Breakwater", new Shape.Box(70, 2.2, 3), "#77746d", world(-34, -2, -58));
  }

  private static void boardwalk(SetBuilder set) {
    set.group("Boardwalk", world(0, 0, 0));
    set.piece(
        "Planks", new Shape.Decking(5.2, 34, 0.82, 0.06), "#a58c6e", on("boardwalk", 0, 0, -6.5));
    for (int i = 0; i < 6; i++) {
      double z = 7.5 - i * 5.6;
      set.piece(
          "Pile left " + (i + 1),
          new Shape.Cylinder(0.17, 0.17, 2.2),
          "#5b4d3c",
          on("boardwalk", -2.3, -2.26, z));
      set.piece(
          "Pile right " + (i + 1),
          new Shape.Cylinder(0.17, 0.17, 2.2),
          "#5b4d3c",
          on("boardwalk", 2.3, -2.26, z));
    }
    set.group("Bollards", world(0, 0, 0));
    for (int i = 0; i < 7; i++) {
      double z = 4.5 - i * 3.4;
      set.piece(
          "Bollard " + (i + 1),
          new Shape.Cylinder(0.13, 0.17, 0.62),
          IRON,
          on("bollards", -2.35, 0, z));
    }
  }

  private static void lampHouse(SetBuilder set) {
    set.group("Lamp house", world(0, 0, -30));
    String at = "lamp-house";
    set.piece("Rock", new Shape.Cylinder(9, 6.6, 1.9), "#6f6c66", on(at, 0, -1.9, 0));
    set.piece("Stair", new Shape.Stair(8.6, 0.18, 0.34, 6, true), "#b7b0a2", on(at, 0, 0, 0));
    set.piece("Tower", new Shape.Cylinder(1.95, 1.35, 8.4), "#ece6d8", on(at, 0, 1.08, 0));
    set.piece("Red band", new Shape.Cylinder(1.78, 1.62, 1.9), "#c2452d", on(at, 0, 4.5, 0));
    set.piece("Door", new Shape.Box(0.95, 2, 0.3), "#3b6b80", on(at, 0, 1.08, 1.78));
    set.piece("Gallery", new Shape.Cylinder(1.75, 1.95, 0.28), "#5d4a48", on(at, 0, 9.48, 0));
    set.glow("Lamp", new Shape.Cylinder(0.95, 0.95, 1.35), "#ffd878", on(at, 0, 9.76, 0));
    for (int i = 0; i < 8; i++) {
      double a = Math.PI * i / 4;
      set.piece(
          "Lamp post " + (i + 1),
          new Shape.Cylinder(0.045, 0.045, 1.4),
          IRON,
          on(at, 1.08 * Math.cos(a), 9.76, 1.08 * Math.sin(a)));
    }
    set.piece("Lamp roof", new Shape.Cylinder(1.4, 0.12, 1.15), "#c2452d", on(at, 0, 11.11, 0));
    set.piece("Finial", new Shape.Sphere(0.16), IRON, on(at, 0, 12.2, 0));
  }

  private static void netLoft(SetBuilder set) {
    set.group("Net loft", world(-7.6, 0, -11));
    String at = "net-loft";
    set.piece("Loft walls", new Shape.Box(6, 4, 8), "#a9675a", on(at, 0, 0, 0));
    set.piece("Loft roof", new Shape.Roof(6.8, 2.1, 8.7), "#5d4a48", on(at, 0, 4, 0));
    set.piece("Roller door", new Shape.Box(0.1, 2.9, 2.6), "#d9cfb8", on(at, 3, 0, 1.3));
    set.piece("Door frame", new Shape.Box(0.08, 3.1, 2.9), "#5d4a48", on(at, 2.985, 0, 1.3));
    set.piece("Loft window", new Shape.Box(0.1, 0.9, 1.1), "#39464c", on(at, 3, 1.5, -2.2));
    set.piece("Gable hatch", new Shape.Box(1.1, 1.1, 0.1), "#d9cfb8", on(at, 0, 2.6, 4));
  }

  private static void ferry(SetBuilder set) {
    set.group("Ferry Ottoline", world(12.5, WATER, -21));
    String at = "ferry-ottoline";
    set.piece("Hull", new Shape.Hull(4.6, 2.1, 16), "#e4e8e4", on(at, 0, -0.35, 0));
    set.piece("Hull band", new Shape.Hull(4.64, 0.45, 16.05), "#3b6b80", on(at, 0, 0.85, 0));
    set.piece("Saloon", new Shape.Box(3.4, 1.7, 7.4), "#f1efe6", on(at, 0, 1.75, 1.6));
    set.piece("Saloon windows", new Shape.Box(3.46, 0.55, 6.6), "#39464c", on(at, 0, 2.45, 1.6));
    set.piece("Wheelhouse", new Shape.Box(2.4, 1.6, 2), "#3b6b80", on(at, 0, 3.45, -0.6));
    set.piece(
        "Wheelhouse windows", new Shape.Box(2.46, 0.6, 2.06), "#dbe4e4", on(at, 0, 4.15, -0.6));
    set.piece("Funnel", new Shape.Cylinder(0.5, 0.42, 1.7), "#c2452d", on(at, 0, 3.45, 3));
    set.piece("Mast", new Shape.Cylinder(0.06, 0.04, 3), IRON, on(at, 0, 3.45, -2.2));
  }

  /** What stands on the foredeck of the ferry for somebody who stands there too. */
  static void foredeck(SetBuilder set) {
    String at = "ferry-ottoline";
    set.piece("Foredeck", new Shape.Decking(3.4, 6.4, 0.4, 0.03), "#a58c6e", on(at, 0, 1.78, -4));
    for (int side = -1; side <= 1; side += 2) {
      String name = side < 0 ? "left" : "right";
      for (int i = 0; i < 4; i++) {
        set.piece(
            "Rail post " + name + " " + (i + 1),
            new Shape.Cylinder(0.03, 0.03, 1),
            "#e4e8e4",
            on(at, side * (1.62 - 0.12 * i), 1.78, -1.6 - 1.55 * i));
      }
    }
    set.piece("Capstan", new Shape.Cylinder(0.34, 0.26, 0.7), IRON, on(at, 0, 1.78, -5.4));
    set.piece("Lantern stand", new Shape.Cylinder(0.05, 0.04, 1.5), IRON, on(at, -0.55, 1.78, -6));
    set.glow(
        "Bow lantern", new Shape.Cylinder(0.13, 0.17, 0.34), "#ffcf6b", on(at, -0.55, 3.28, -6));
    set.piece(
        "Deck crate", new Shape.Box(0.7, 0.6, 0.7), WOOD, on(at, 0.85, 1.78, -4.6).turned(22));
  }

  /** Over the stern of the ferry, on a card that plays the beat of its wings. */
  static void gull(SetBuilder set) {
    set.piece(
        "Gull",
        new Shape.Card(1.5, 1),
        Finish.matt("#f3f1ea").withPictures(GullPictures.beating(1001)),
        on("ferry-ottoline", -2.6, 5.2, 4.5).turned(18));
    set.moved("gull", Path.Y, swaying(5.2, 0.35, 60));
    set.moved("gull", Path.X, swaying(-2.6, 0.5, 90));
  }

  /** To and fro about a value, over and over. */
  private static Curve swaying(double about, double by, int frames) {
    return new Curve(
        about,
        List.of(
            new Key(1001, about - by, Tangent.Kind.SETTLE),
            new Key(1001 + frames / 2.0, about + by, Tangent.Kind.SETTLE),
            new Key(1001 + frames, about - by, Tangent.Kind.SETTLE)),
        Beyond.CYCLE,
        Beyond.CYCLE);
  }

  private static void crates(SetBuilder set) {
    set.group("Crates", world(1.75, 0, -6.2));
    crate(set, 1, 1.0, 0, 0, 0, 8);
    crate(set, 2, 0.9, 0.05, 0, -1.15, -6);
    crate(set, 3, 0.8, -0.02, 1.0, -0.1, 24);
    crate(set, 4, 0.8, -0.15, 0, 1.2, -14);
    crate(set, 5, 0.7, 0.1, 0.9, -1.15, 11);
    crate(set, 6, 0.6, -0.95, 0, 0.55, 30);
  }

  private static void crate(
      SetBuilder set, int number, double size, double x, double y, double z, double turn) {
    String colour = number % 2 == 0 ? "#a9834c" : WOOD;
    set.piece(
        "Crate " + number,
        new Shape.Box(size, size, size),
        colour,
        on("crates", x, y, z).turned(turn));
  }

  private static void boards(SetBuilder set) {
    set.group("Boards", world(-2.15, 0, 0));
    String[] colours = {"#c2452d", "#25678a", "#e9b949", "#2c7a63", "#f1efe6"};
    for (int i = 0; i < colours.length; i++) {
      double z = 1.6 - i * 3.4;
      set.piece(
          "Post " + (i + 1), new Shape.Cylinder(0.05, 0.05, 2.5), "#5b5146", on("boards", 0, 0, z));
      set.piece(
          "Board " + (i + 1),
          new Shape.Card(0.95, 1.05),
          lettered(colours[i], i + 1),
          on("boards", 0.02, 1.5, z + 0.07).turned(24));
    }
  }

  /** The number of a board, dark on light ones and light on dark ones. */
  private static Finish lettered(String colour, int number) {
    String ink = number == 3 || number == 5 ? "#1d2930" : "#fbf9f4";
    Lettering text =
        new Lettering(List.of(String.valueOf(number)), ink, 0.8, Lettering.Face.WORDS, true);
    return new Finish(colour, Finish.Kind.MATT, Optional.of(text), Optional.empty());
  }

  private static void lanterns(SetBuilder set) {
    set.group("Lanterns", world(0, 0, 0));
    lantern(set, "Lantern", -1.35, 2.3);
    lantern(set, "Second lantern", 2.2, -9.5);
    lantern(set, "Third lantern", -1.9, -16.5);
  }

  private static void lantern(SetBuilder set, String name, double x, double z) {
    set.piece(name + " post", new Shape.Cylinder(0.055, 0.04, 2.05), IRON, on("lanterns", x, 0, z));
    set.glow(name, new Shape.Cylinder(0.13, 0.17, 0.34), "#ffcf6b", on("lanterns", x, 2.05, z));
    set.piece(name + " cap", new Shape.Cylinder(0.24, 0.03, 0.2), IRON, on("lanterns", x, 2.39, z));
  }

  private static final int SLATS = 6;
  private static final double DOOR_M = 2.9;

  /**
   * The net loft with room inside and a doorway, and a door of slats that rolls up between two
   * frames; it stands in for the closed one.
   */
  static void openLoft(SetBuilder set, double opens, double isOpen) {
    String at = "net-loft";
    String red = "#a9675a";
    set.piece("Loft back wall", new Shape.Box(0.15, 4, 8), red, on(at, -2.92, 0, 0));
    set.piece("Loft gable north", new Shape.Box(6, 4, 0.15), red, on(at, 0, 0, -3.92));
    set.piece("Loft gable south", new Shape.Box(6, 4, 0.15), red, on(at, 0, 0, 3.92));
    set.piece("Loft front left", new Shape.Box(0.15, 4, 1.4), red, on(at, 2.92, 0, 3.3));
    set.piece("Loft front right", new Shape.Box(0.15, 4, 4), red, on(at, 2.92, 0, -2));
    set.piece("Loft lintel", new Shape.Box(0.15, 1.1, 2.6), red, on(at, 2.92, DOOR_M, 1.3));
    set.piece("Loft floor", new Shape.Decking(6, 8, 0.3, 0.02), "#6d5540", on(at, 0, 0.02, 0));
    set.piece("Net pile", new Shape.Box(1.6, 0.7, 1.2), "#4d5a52", on(at, -1.9, 0, -2.6));
    set.piece("Net chest", new Shape.Box(1.1, 0.9, 0.7), "#8a6a45", on(at, -2.2, 0, 2.6));
    set.piece("Float rack", new Shape.Box(0.5, 1.9, 2.2), "#b98d56", on(at, 1.2, 0, -3.2));
    set.glow("Lamp oil", new Shape.Sphere(0.16), "#ffd98a", on(at, -1.9, 1.5, -1.2));
    set.light(
        "Oil light",
        new Lamp(Lamp.Kind.PRACTICAL, "#ffd08a", 0.9, 11, false),
        on(at, -1.8, 1.9, -1.0),
        0);
    double slat = DOOR_M / SLATS;
    for (int i = 0; i < SLATS; i++) {
      String name = "Door slat " + (i + 1);
      Shape shape = new Shape.Box(0.06, slat - 0.01, 2.56);
      set.piece(name, shape, "#d9cfb8", on(at, 2.8, i * slat, 1.3));
      set.moved(SetBuilder.id(name), Path.Y, rolled(opens, isOpen, i * slat));
    }
  }

  /** A slat sets off when those below it have come up to it, and stays under the lintel. */
  private static Curve rolled(double opens, double isOpen, double from) {
    double starts = opens + (isOpen - opens) * from / DOOR_M;
    return new Curve(
        from,
        List.of(
            new Key(opens - 1, from, Tangent.Kind.STRAIGHT),
            new Key(starts, from, Tangent.Kind.SETTLE),
            new Key(isOpen, DOOR_M, Tangent.Kind.SETTLE)));
  }

  /** Without what stands for the loft while nobody goes in. */
  static List<Node> withoutClosedLoft(List<Node> nodes) {
    return nodes.stream()
        .filter(n -> !List.of("loft-walls", "roller-door", "door-frame").contains(n.id()))
        .toList();
  }
}
