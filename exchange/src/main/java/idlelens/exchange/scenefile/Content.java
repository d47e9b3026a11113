package idlelens.exchange.scenefile;

import idlelens.core.set.Finish;
import idlelens.exchange.json.JsonPlace;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** What stands at a node of a file. */
public sealed interface Content {
  /** Where it stands in the file. */
  String where();

  /**
   * A camera.
   *
   * @param view how much it sees
   * @param aspect width over height of the picture it was made for, if that is said
   * @param fStop its f-number, if that is said
   * @param focus focus distance in the file's unit, if that is said
   * @param ours what we wrote of it, if we did
   */
  record Camera(
      String where,
      View view,
      OptionalDouble aspect,
      Optional<Lane> fStop,
      Optional<Lane> focus,
      Optional<JsonPlace> ours)
      implements Content {
    /** All that may move of its lens. */
    public List<Lane> lanes() {
      List<Lane> lanes = new ArrayList<>(view.lanes());
      fStop.ifPresent(lanes::add);
      focus.ifPresent(lanes::add);
      return lanes;
    }
  }

  /**
   * A far light, along its own -Z.
   *
   * @param colour sRGB as {@code #rrggbb}
   * @param strength 0 to 10
   */
  record Sun(String where, String colour, double strength) implements Content {}

  /**
   * Triangles.
   *
   * @param mesh which may stand at other nodes as well
   * @param ours what we wrote of the piece, if we did
   */
  record Piece(String where, FileMesh mesh, Optional<JsonPlace> ours) implements Content {}

  /** Triangles that a file has once, in parts of one colour each. */
  record FileMesh(String where, List<Part> parts) {}

  /**
   * Triangles of one colour.
   *
   * @param positions three numbers a vertex, in the file's unit
   * @param normals as many, or null: then every triangle is flat
   * @param shades one a vertex, 0 to 1
   * @param indices three a triangle, counter-clockwise
   */
  record Part(
      String where,
      double[] positions,
      double[] normals,
      float[] shades,
      int[] indices,
      Finish finish) {}
}
