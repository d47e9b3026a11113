package idlelens.core.scene;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.Set;

/**
 * What all nodes have.
 *
 * @param id 1 to 60 letters, digits, '-' or '_', unique in the shot
 * @param name shown, 1 to 80 characters
 * @param hidden left out of picture and plan
 * @param carriage what carries it
 * @param channels its curves
 * @param filter which of them take keys
 * @param off the parts of its chain that are switched off
 */
public record NodeBody(
    String id,
    String name,
    boolean hidden,
    Carriage carriage,
    Channels channels,
    KeyFilter filter,
    Set<ChainPart> off) {
  public NodeBody {
    if (id == null || !id.matches("[A-Za-z0-9_-]{1,60}")) {
      throw new RefusedException("id", "'" + id + "'", "1 to 60 letters, digits, '-' or '_'");
    }
    name = Require.name(name, 80, "name");
    Require.present(carriage, "carrier");
    Require.present(channels, "channels");
    Require.present(filter, "filter");
    off = Set.copyOf(Require.present(off, "off"));
    if (off.contains(ChainPart.LENS) && !channels.curves().containsKey(Channel.FOCAL)) {
      throw new RefusedException("off", "lens, of '" + id + "'", "keys, carried (it has no lens)");
    }
  }

  /** A node all of whose channels take keys and have their effect. */
  public NodeBody(String id, String name, boolean hidden, Carriage carriage, Channels channels) {
    this(id, name, hidden, carriage, channels, KeyFilter.OPEN, Set.of());
  }

  public NodeBody withName(String newName) {
    return new NodeBody(id, newName, hidden, carriage, channels, filter, off);
  }

  public NodeBody withHidden(boolean newHidden) {
    return new NodeBody(id, name, newHidden, carriage, channels, filter, off);
  }

  public NodeBody withCarriage(Carriage newCarriage) {
    return new NodeBody(id, name, hidden, newCarriage, channels, filter, off);
  }

  public NodeBody withChannels(Channels newChannels) {
    return new NodeBody(id, name, hidden, carriage, newChannels, filter, off);
  }

  public NodeBody withFilter(KeyFilter newFilter) {
    return new NodeBody(id, name, hidden, carriage, channels, newFilter, off);
  }

  public NodeBody withOff(Set<ChainPart> newOff) {
    return new NodeBody(id, name, hidden, carriage, channels, filter, newOff);
  }
}
