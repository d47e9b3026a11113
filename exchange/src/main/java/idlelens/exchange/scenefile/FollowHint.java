package idlelens.exchange.scenefile;

import idlelens.core.part.FocusRule;
import idlelens.core.part.Target;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What a lens follows, in the extras of its camera: {@code node} (a key of the file) with a {@code
 * point}, or a {@code place}, and {@code offsetM}.
 */
public final class FollowHint {
  private FollowHint() {}

  /**
   * @param indices the index of each node that is written
   * @return whether what is followed is in the file
   */
  public static boolean write(
      FocusRule.Follow follow, Map<String, Integer> indices, ObjectNode extras) {
    Target target = follow.target();
    if (target instanceof Target.OfNode node) {
      Integer index = indices.get(node.node());
      if (index == null) {
        return false;
      }
      ObjectNode out = said(follow, extras);
      out.put("node", index);
      numbers(out.putArray("point"), node.x(), node.y(), node.z());
    } else if (target instanceof Target.Place place) {
      ObjectNode out = said(follow, extras);
      numbers(out.putArray("place"), place.x(), place.y(), place.z());
    }
    return true;
  }

  private static ObjectNode said(FocusRule.Follow follow, ObjectNode extras) {
    ObjectNode out = extras.putObject("follow").put("offsetM", follow.offsetM());
    return follow.lag() == 0 ? out : out.put("lagFrames", follow.lag());
  }

  private static void numbers(ArrayNode out, double x, double y, double z) {
    out.add(x).add(y).add(z);
  }

  /**
   * @param ids the id that a node has in the shot, by its index in the file
   * @return nothing if the node is not in the scene any more
   */
  public static Optional<FocusRule> read(JsonPlace place, IntFunction<Optional<String>> ids)
      throws FormatException {
    double offset = place.number("offsetM", 0);
    int lag = place.has("lagFrames") ? place.get("lagFrames").whole() : 0;
    if (place.has("place")) {
      JsonPlace at = place.get("place");
      Target target = new Target.Place(at.at(0).number(), at.at(1).number(), at.at(2).number());
      return Optional.of(new FocusRule.Follow(target, offset, lag));
    }
    JsonPlace at = place.get("point");
    double x = at.at(0).number();
    double y = at.at(1).number();
    double z = at.at(2).number();
    return ids.apply(place.get("node").whole())
        .map(id -> new FocusRule.Follow(new Target.OfNode(id, x, y, z), offset, lag));
  }
}
