package idlelens.exchange.profile;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.text.Normalizer;
import java.util.HashSet;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * How nodes are called at a receiver.
 *
 * @param prefix before every name, at most 20 letters
 * @param letters which letters a name may have
 */
public record Naming(String prefix, Letters letters) {
  private static final int MOST_PREFIX = 20;

  /** As they are called here. */
  public static final Naming AS_HERE = new Naming("", Letters.ANY);

  /** Which letters a name may have. */
  public enum Letters {
    /** All. */
    ANY,
    /** A to z, digits and underlines, not beginning with a digit. */
    PLAIN
  }

  public Naming {
    Require.present(letters, "names.letters");
    if (prefix == null || prefix.length() > MOST_PREFIX || !prefix.matches("[\\w -]*")) {
      throw new RefusedException(
          "names.prefix", "'" + prefix + "'", "up to 20 letters, digits, '_', '-' or spaces");
    }
  }

  /** Names as they go out, no two the same. */
  public UnaryOperator<String> once() {
    Set<String> taken = new HashSet<>();
    return name -> {
      String plain = of(name);
      String free = plain;
      for (int i = 2; !taken.add(free); i++) {
        free = plain + "_" + i;
      }
      return free;
    };
  }

  private String of(String name) {
    String whole = prefix + name;
    if (letters == Letters.ANY) {
      return whole;
    }
    String bare = Normalizer.normalize(whole, Normalizer.Form.NFD).replaceAll("\\p{M}", "");
    String plain = bare.replaceAll("[^A-Za-z0-9_]", "_");
    return plain.isEmpty() || Character.isDigit(plain.charAt(0)) ? "_" + plain : plain;
  }
}
