package idlelens.exchange.outgoing;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What is said of a hand-off, once for all nodes of which it is true. */
final class Remarks {
  private static final int MOST_NAMED = 3;
  private static final String OF = ": ";

  private Remarks() {}

  /**
   * @param notes each {@code name: what is said of it}, or without a name
   * @return in the order in which each was said first
   */
  static List<String> gathered(Collection<String> notes) {
    Map<String, Set<String>> names = new LinkedHashMap<>();
    for (String note : notes) {
      int end = Math.max(0, note.lastIndexOf(OF));
      Set<String> of = names.computeIfAbsent(note.substring(end), said -> new LinkedHashSet<>());
      of.add(note.substring(0, end));
    }
    List<String> all = new ArrayList<>();
    names.forEach((said, of) -> all.add(listed(List.copyOf(of)) + said));
    return all;
  }

  private static String listed(List<String> names) {
    if (names.size() == 1) {
      return names.get(0);
    }
    int named = names.size() <= MOST_NAMED + 1 ? names.size() - 1 : MOST_NAMED;
    String last = named == names.size() - 1 ? names.get(named) : names.size() - named + " more";
    return String.join(", ", names.subList(0, named)) + " and " + last;
  }
}
