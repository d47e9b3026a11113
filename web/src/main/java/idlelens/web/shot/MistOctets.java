package idlelens.web.shot;

import idlelens.core.scene.Node;
import idlelens.core.scene.ShotHeader;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The puffs of a mist at the first frame, and how far they drift in a frame. */
final class MistOctets {
  private MistOctets() {}

  static void add(OctetBundle bundle, ObjectNode out, ShotHeader header, Node.Mist mist) {
    bundle.add(out, "puffs", mist.drift().places(header.rate(), header.range()));
    ArrayNode drift = out.putArray("drift");
    for (double metres : mist.drift().velocity(header.rate(), header.range())) {
      drift.add(metres / header.rate().framesPerSecond());
    }
  }
}
