package idlelens.web.shot;

import idlelens.core.motion.Evaluation;
import idlelens.core.motion.NodeMotion;
import idlelens.core.motion.PartTrack;
import idlelens.core.motion.Riding;
import idlelens.core.part.Part;
import idlelens.core.part.Ride;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What the pace of a ride is in metres, and which of its keys a pin overrules. */
final class RideOctets {
  private RideOctets() {}

  static void add(OctetBundle bundle, ObjectNode out, Evaluation motion, String nodeId) {
    Shot shot = motion.shot();
    for (Part part : shot.node(nodeId).chain().parts()) {
      if (part instanceof Ride ride && shot.node(ride.railId()) instanceof Node.Rail rail) {
        Riding riding = new Riding(ride, rail.rail().curve(), shot.header().rate());
        ObjectNode to = out.withObjectProperty("rides").putObject(ride.id());
        ArrayNode bounds = to.putArray("bounds");
        for (double bound : riding.bounds()) {
          bounds.add(bound);
        }
        bundle.add(to, "metres", metres(riding, ride, motion, motion.of(nodeId)), 1);
        ArrayNode disputed = to.putArray("disputed");
        ride.disputed().forEach(disputed::add);
      }
    }
  }

  private static double[] metres(Riding riding, Ride ride, Evaluation motion, NodeMotion node) {
    PartTrack values = node.parts().get(ride.id());
    double[] pace = values.values(Ride.PACE);
    double[] out = new double[pace.length];
    for (int i = 0; i < out.length; i++) {
      out[i] = riding.distance(ride.held(motion.grid().frame(i), pace[i]));
    }
    return out;
  }
}
