package idlelens.exchange.json;

import idlelens.core.scene.Channel;
import idlelens.core.scene.KeyFilter;
import idlelens.exchange.format.FormatException;
import java.util.Set;
import tools.jackson.databind.node.ObjectNode;

/** Which channels take keys: {@code leftOut} and {@code locked}, each a list of channels. */
final class FilterJson {
  private FilterJson() {}

  static KeyFilter read(JsonPlace place) throws FormatException {
    return new KeyFilter(channels(place, "leftOut"), channels(place, "locked"));
  }

  private static Set<Channel> channels(JsonPlace place, String field) throws FormatException {
    return place.has(field) ? Set.copyOf(EditParts.channelList(place.get(field))) : Set.of();
  }

  static void write(KeyFilter filter, ObjectNode out) {
    EditParts.channels(out, "leftOut", filter.leftOut());
    EditParts.channels(out, "locked", filter.locked());
  }
}
