package idlelens.core.scene;

import idlelens.core.rule.Require;

/**
 * A named place in time.
 *
 * @param id 1 to 60 letters, digits, '-' or '_', unique among the shot's markers
 * @param frame where it stands
 * @param name shown, 1 to 80 characters
 * @param kind what it stands for
 * @param nodeId the node it belongs to, or "" for the shot
 */
public record Marker(String id, double frame, String name, Kind kind, String nodeId) {
  /** The most markers a shot may have. */
  public static final int MOST = 5000;

  /** What a marker stands for. */
  public enum Kind {
    /** A beat of the music. */
    BEAT,
    /** A frame that re-timing must not move. */
    HIT,
    /** Something that happens in the picture. */
    CUE,
    /** A remark. */
    NOTE
  }

  public Marker {
    Require.id(id, "marker.id");
    Require.within(frame, -1e7, 1e7, "marker.frame");
    name = Require.name(name, 80, "marker.name");
    Require.present(kind, "marker.kind");
    Require.present(nodeId, "marker.node");
  }

  public Marker withFrame(double newFrame) {
    return new Marker(id, newFrame, name, kind, nodeId);
  }
}
