package idlelens.core.set;

import idlelens.core.rule.Require;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * In which order the files of a picture sequence play: by their names, numbers in these by their
 * value. Where the names differ in their last number only, a picture is held until the number of
 * the next one.
 */
public final class PlayOrder {
  private static final Pattern PART = Pattern.compile("\\d+|\\D+");
  private static final Pattern NUMBERED = Pattern.compile("(.*?)(\\d{1,9})(\\D*)");

  private PlayOrder() {}

  /**
   * A file in its place.
   *
   * @param name as it was given
   * @param held for how many pictures it is shown
   */
  public record Placed(String name, int held) {}

  /** A name with a number in it. */
  private record Numbered(String before, int number, String after) {
    static Numbered of(String name) {
      Matcher matcher = NUMBERED.matcher(name);
      return matcher.matches()
          ? new Numbered(matcher.group(1), Integer.parseInt(matcher.group(2)), matcher.group(3))
          : new Numbered(name, 0, "");
    }

    /** How many numbers later another one comes; 0 where it is not of the same row. */
    int until(Numbered next) {
      return before.equals(next.before) && after.equals(next.after)
          ? Math.max(0, next.number - number)
          : 0;
    }
  }

  /**
   * @param names 1 to {@link Pictures#MOST} names of files
   */
  public static List<Placed> of(List<String> names) {
    Require.within(names.size(), 1, Pictures.MOST, "names.count");
    List<String> sorted = new ArrayList<>(names);
    sorted.sort(Comparator.comparing(PlayOrder::parts, PlayOrder::compare));
    int[] held = held(sorted.stream().map(Numbered::of).toList());
    List<Placed> placed = new ArrayList<>();
    for (int i = 0; i < held.length; i++) {
      placed.add(new Placed(sorted.get(i), held[i]));
    }
    return placed;
  }

  /** The last one is held as long as each of the others, if these are alike. */
  private static int[] held(List<Numbered> numbers) {
    int[] held = new int[numbers.size()];
    Arrays.fill(held, 1);
    boolean alike = true;
    for (int i = 0; i + 1 < held.length; i++) {
      int until = numbers.get(i).until(numbers.get(i + 1));
      if (until < 1 || until > Still.LONGEST_HELD) {
        Arrays.fill(held, 1); // not one row
        return held;
      }
      held[i] = until;
      alike &= until == held[0];
    }
    if (alike && held.length > 1) {
      held[held.length - 1] = held[0];
    }
    return held;
  }

  private static List<String> parts(String name) {
    List<String> parts = new ArrayList<>();
    Matcher matcher = PART.matcher(name);
    while (matcher.find()) {
      parts.add(matcher.group());
    }
    return parts;
  }

  private static int compare(List<String> one, List<String> other) {
    for (int i = 0; i < Math.min(one.size(), other.size()); i++) {
      int order = compare(one.get(i), other.get(i));
      if (order != 0) {
        return order;
      }
    }
    return one.size() - other.size();
  }

  private static int compare(String one, String other) {
    if (Character.isDigit(one.charAt(0)) && Character.isDigit(other.charAt(0))) {
      String a = one.replaceFirst("^0+", "");
      String b = other.replaceFirst("^0+", "");
      int order = a.length() == b.length() ? a.compareTo(b) : a.length() - b.length();
      return order != 0 ? order : one.length() - other.length();
    }
    int order = one.compareToIgnoreCase(other);
    return order != 0 ? order : one.compareTo(other);
  }
}
