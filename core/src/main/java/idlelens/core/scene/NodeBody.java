package idlelens.core.scene;

import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Path;
import idlelens.core.rule.Require;

/**
 * What all nodes have.
 *
 * @param id 1 to 60 letters, digits, '-' or '_', unique in the shot
 * @param name shown, 1 to 80 characters
 * @param hidden where it is not shown
 * @param chain what its motion passes through
 * @param takesKeys which of its curves take keys
 */
public record NodeBody(String id, String name, Hidden hidden, Chain chain, TakesKeys takesKeys) {
  public NodeBody {
    Require.id(id, "id");
    name = Require.name(name, 80, "name");
    Require.present(hidden, "hidden");
    Require.present(chain, "chain");
    Require.present(takesKeys, "takesKeys");
    for (Path path : takesKeys.locked()) {
      chain.curve(path);
    }
  }

  /** A node all of whose curves take keys. */
  public NodeBody(String id, String name, boolean hidden, Carriage by, Chain chain) {
    this(id, name, hidden, chain.carriedBy(by), TakesKeys.ALL);
  }

  /**
   * @param outOfSight whether it is hidden in views and pictures
   */
  public NodeBody(String id, String name, boolean outOfSight, Chain chain, TakesKeys takesKeys) {
    this(id, name, Hidden.of(outOfSight), chain, takesKeys);
  }

  public NodeBody withName(String newName) {
    return new NodeBody(id, newName, hidden, chain, takesKeys);
  }

  public NodeBody withHidden(Hidden newHidden) {
    return new NodeBody(id, name, newHidden, chain, takesKeys);
  }

  public NodeBody withChain(Chain newChain) {
    return new NodeBody(id, name, hidden, newChain, takesKeys);
  }

  public NodeBody withTakesKeys(TakesKeys newTakesKeys) {
    return new NodeBody(id, name, hidden, chain, newTakesKeys);
  }
}
