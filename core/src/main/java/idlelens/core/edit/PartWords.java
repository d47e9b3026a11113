package idlelens.core.edit;

import idlelens.core.part.PartKind;
import idlelens.core.part.Parts;

/** What a part is called in lists of what was done. */
final class PartWords {
  private PartWords() {}

  /** The label of its kind, as far as its id tells. */
  static String of(String id) {
    int dash = id.indexOf('-');
    String word = dash > 0 ? id.substring(0, dash) : id;
    return Parts.KINDS.stream()
        .filter(k -> k.word().equals(word))
        .findFirst()
        .map(PartKind::label)
        .orElse(id);
  }
}
