package idlelens.web.shot;

import idlelens.core.scene.Node;
import idlelens.core.set.Pictures;
import idlelens.core.time.FrameRate;
import idlelens.core.time.SampleGrid;
import tools.jackson.databind.node.ObjectNode;

/** Which picture of a sequence a card or a backplate shows on every sample. */
final class PlayedOctets {
  private PlayedOctets() {}

  static void add(OctetBundle bundle, ObjectNode out, SampleGrid grid, Node node, FrameRate rate) {
    if (node.pictures().isEmpty()) {
      return;
    }
    Pictures pictures = node.pictures().get();
    int[] shown = pictures.shown(grid, rate);
    float[] column = new float[shown.length];
    for (int i = 0; i < shown.length; i++) {
      column[i] = shown[i];
    }
    bundle.add(out, "shown", column);
    pictures.period(rate).ifPresent(frames -> out.put("round", frames));
  }
}
