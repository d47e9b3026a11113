package idlelens.core.part;

import idlelens.core.rule.Require;

/**
 * What all parts have.
 *
 * @param id unique in its node and never changed: 1 to 40 lower-case letters, digits or '-'
 * @param on whether it takes effect
 * @param curves one for each of its parameters
 * @param window the frames at which it takes effect; open for parts that have no window
 */
public record PartBody(String id, boolean on, Curves curves, Window window) {
  public PartBody {
    Require.partId(id, "part.id");
    Require.present(curves, "part.curves");
    Require.present(window, "part.window");
  }

  /** A new part, on, with its usual values. */
  static PartBody usual(String id, PartKind kind) {
    return new PartBody(id, true, Curves.usual(kind.parameters()), Window.OPEN);
  }

  public PartBody withId(String newId) {
    return new PartBody(newId, on, curves, window);
  }

  public PartBody withOn(boolean newOn) {
    return new PartBody(id, newOn, curves, window);
  }

  public PartBody withCurves(Curves newCurves) {
    return new PartBody(id, on, newCurves, window);
  }

  public PartBody withWindow(Window newWindow) {
    return new PartBody(id, on, curves, newWindow);
  }
}
