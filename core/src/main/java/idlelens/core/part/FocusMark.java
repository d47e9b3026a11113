package idlelens.core.part;

import idlelens.core.rule.Require;
import java.util.Optional;

/**
 * A distance that focus is pulled to, with a name: one in metres, or that of something.
 *
 * @param id unique among the marks of its lens: 1 to 40 lower-case letters, digits or '-'
 * @param on what it is on, or nothing
 * @param metres the distance; where the mark is on something, what is added to the distance of that
 */
public record FocusMark(String id, String name, Optional<Target> on, double metres) {
  public FocusMark {
    Require.partId(id, "mark.id");
    Require.name(name, 60, "mark.name");
    Require.present(on, "mark.on");
    Require.within(
        metres, on.isPresent() ? -1e4 : Lens.FOCUS.least(), Lens.FOCUS.most(), "mark.metres");
  }

  FocusMark withTarget(Target target) {
    return new FocusMark(id, name, Optional.of(target), metres);
  }
}
