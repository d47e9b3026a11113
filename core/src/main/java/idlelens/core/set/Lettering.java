package idlelens.core.set;

import idlelens.core.rule.Require;
import java.util.List;

/**
 * Text on both sides of a card, in its middle.
 *
 * @param lines 1 to 12 lines of 1 to 80 characters
 * @param ink sRGB as {@code #rrggbb}
 * @param lineM height of a line in metres
 * @param face which of the fonts that come along
 * @param bold whether it is set bold
 */
public record Lettering(List<String> lines, String ink, double lineM, Face face, boolean bold) {
  /** The most lines. */
  public static final int MOST_LINES = 12;

  private static final int LONGEST_LINE = 80;

  /** The fonts that come along. */
  public enum Face {
    WORDS,
    NUMBERS
  }

  public Lettering {
    Require.within(lines.size(), 1, MOST_LINES, "text.lines.count");
    lines = lines.stream().map(line -> Require.name(line, LONGEST_LINE, "text.lines")).toList();
    Require.within(lineM, 0.005, 100, "text.line");
    Require.present(face, "text.face");
    Require.colour(ink, "text.ink", "#1d2930");
  }
}
