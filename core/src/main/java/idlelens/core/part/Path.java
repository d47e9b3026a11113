package idlelens.core.part;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.List;
import java.util.stream.Stream;

/**
 * Where a curve is in a node: its part and its parameter. Only those of Keys and Lens are written
 * bare, as {@code x} or {@code focal}; all others as {@code aim-3c.weight}.
 */
public record Path(String part, String parameter) implements Comparable<Path> {
  public static final Path X = keys("x");
  public static final Path Y = keys("y");
  public static final Path Z = keys("z");
  public static final Path PAN = keys("pan");
  public static final Path TILT = keys("tilt");
  public static final Path ROLL = keys("roll");
  public static final Path FOCAL = lens("focal");
  public static final Path F_STOP = lens("fstop");
  public static final Path FOCUS = lens("focus");
  public static final Path SQUEEZE = lens("squeeze");

  /** The three of a place. */
  public static final List<Path> PLACE = List.of(X, Y, Z);

  /** The three of a turn. */
  public static final List<Path> TURN = List.of(PAN, TILT, ROLL);

  /** Place and turn, in this order. */
  public static final List<Path> POSE = List.of(X, Y, Z, PAN, TILT, ROLL);

  /** What only a camera has, in the order of its parameters. */
  public static final List<Path> LENS =
      Lens.KIND.parameters().stream().map(p -> lens(p.id())).toList();

  /** What a camera has of its own: its pose and its lens. */
  public static final List<Path> BARE = Stream.concat(POSE.stream(), LENS.stream()).toList();

  public Path {
    Require.present(part, "path.part");
    Require.present(parameter, "path.parameter");
  }

  private static Path keys(String parameter) {
    return new Path(Keys.ID, parameter);
  }

  private static Path lens(String parameter) {
    return new Path(Lens.ID, parameter);
  }

  /** Reads a path as {@link #toString} writes it. */
  public static Path parse(String text) {
    int dot = text.indexOf('.');
    if (dot > 0 && dot < text.length() - 1) {
      return new Path(text.substring(0, dot), text.substring(dot + 1));
    }
    return BARE.stream()
        .filter(p -> p.parameter.equals(text))
        .findFirst()
        .orElseThrow(() -> new RefusedException("channel", "'" + text + "'", allowed()));
  }

  private static String allowed() {
    return String.join(", ", BARE.stream().map(Path::parameter).toList())
        + ", or part.parameter such as aim-3c.weight";
  }

  public boolean isPose() {
    return part.equals(Keys.ID);
  }

  private boolean isBare() {
    return part.equals(Keys.ID) || part.equals(Lens.ID);
  }

  @Override
  public String toString() {
    return isBare() ? parameter : part + "." + parameter;
  }

  /** Pose first, then lens, each in the order of its parameters; then the others by name. */
  @Override
  public int compareTo(Path other) {
    int mine = BARE.indexOf(this);
    int theirs = BARE.indexOf(other);
    if (mine >= 0 || theirs >= 0) {
      return mine < 0 ? 1 : theirs < 0 ? -1 : Integer.compare(mine, theirs);
    }
    return toString().compareTo(other.toString());
  }
}
