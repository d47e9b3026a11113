package idlelens.core.rail;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import org.joml.Vector3d;

/**
 * A place that a rail goes through.
 *
 * @param id unique in its rail and never changed: 1 to 40 lower-case letters, digits or '-'
 * @param x metres in the rail's own space
 * @param kind where its tangents come from
 * @param in tangent towards the anchor before, of {@link Kind#FREE} and {@link Kind#BROKEN} ones
 * @param out tangent towards the anchor after
 */
public record Anchor(String id, double x, double y, double z, Kind kind, Offset in, Offset out) {
  /** Where the tangents of an anchor come from. */
  public enum Kind {
    /** From the anchors on both sides. */
    SMOOTH,
    /** None: the rail leaves straight to both sides. */
    CORNER,
    /** Set by hand, on one line. */
    FREE,
    /** Set by hand, each for itself. */
    BROKEN
  }

  public Anchor {
    if (id == null || !id.matches("[a-z0-9-]{1,40}")) {
      throw new RefusedException(
          "anchor.id", "'" + id + "'", "1 to 40 lower-case letters, digits or '-'");
    }
    Require.within(x, -1e5, 1e5, "anchor.x");
    Require.within(y, -1e5, 1e5, "anchor.y");
    Require.within(z, -1e5, 1e5, "anchor.z");
    Require.present(kind, "anchor.kind");
    Require.present(in, "anchor.in");
    Require.present(out, "anchor.out");
  }

  public static Anchor smooth(String id, double x, double y, double z) {
    return new Anchor(id, x, y, z, Kind.SMOOTH, Offset.NONE, Offset.NONE);
  }

  public static Anchor corner(String id, double x, double y, double z) {
    return new Anchor(id, x, y, z, Kind.CORNER, Offset.NONE, Offset.NONE);
  }

  public Vector3d place() {
    return new Vector3d(x, y, z);
  }

  /** Whether its tangents are its own. */
  public boolean isSetByHand() {
    return kind == Kind.FREE || kind == Kind.BROKEN;
  }

  public Anchor at(Vector3d place) {
    return new Anchor(id, place.x, place.y, place.z, kind, in, out);
  }

  /** With tangents set by hand; on one line, unless they are broken. */
  public Anchor withTangents(Offset newIn, Offset newOut) {
    return new Anchor(
        id, x, y, z, onOneLine(newIn, newOut) ? Kind.FREE : Kind.BROKEN, newIn, newOut);
  }

  public Anchor withKind(Kind newKind, Offset newIn, Offset newOut) {
    return new Anchor(id, x, y, z, newKind, newIn, newOut);
  }

  public Anchor withId(String newId) {
    return new Anchor(newId, x, y, z, kind, in, out);
  }

  /** Run through the other way. */
  Anchor reversed() {
    return new Anchor(id, x, y, z, kind, out, in);
  }

  private static boolean onOneLine(Offset in, Offset out) {
    Vector3d a = in.vector();
    Vector3d b = out.vector();
    double lengths = a.length() * b.length();
    return lengths < 1e-18 || a.cross(b, new Vector3d()).length() < 1e-6 * lengths && a.dot(b) <= 0;
  }
}
