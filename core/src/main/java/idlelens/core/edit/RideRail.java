package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.curve.Tangent;
import idlelens.core.part.Carriage;
import idlelens.core.part.Carried;
import idlelens.core.part.Chain;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Ride;
import idlelens.core.part.Slot;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.List;

/**
 * Puts a node on a rail for all frames, from its start to its end between two of them, at even
 * pace. Its own pose becomes that of the rail: its numbers are 0 from now on.
 *
 * @param railId the rail
 * @param from frame at which it is at the start
 * @param to frame at which it is at the end
 * @param partId id of the new part of its chain
 */
public record RideRail(String id, String railId, double from, double to, String partId)
    implements Edit {
  public RideRail {
    Require.present(id, "id");
    Require.present(railId, "rail");
    Require.present(partId, "partId");
    Require.finite(from, "from");
    Require.finite(to, "to");
    if (!(to > from + Key.LEAST_APART)) {
      throw new RefusedException("to", to, "a frame after the first (" + from + ")");
    }
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    ShapeRail.rail(shot, railId);
    CarrierLoop.refuse(shot, node, railId);
    Node plain =
        node.withChain(node.chain().with(Carried.WORLD)).withoutParts(Ride.class::isInstance);
    Chain chain = plain.chain().map(Path.POSE, curve -> Curve.still(0));
    List<Part> parts = new ArrayList<>(chain.parts());
    int at = 0;
    while (parts.get(at).kind().slot().ordinal() < Slot.SPACE.ordinal()) {
      at++;
    }
    parts.add(at, Ride.on(partId, railId).withPace(even()));
    Chain next = new Chain(parts);
    Carried carried = node.chain().carried().withBy(Carriage.by(railId));
    return shot.withNode(plain.withChain(next.with(carried)));
  }

  private Curve even() {
    return new Curve(
        0,
        List.of(
            new Key(from, 0, Tangent.Kind.STRAIGHT),
            new Key(to, Ride.STRETCH, Tangent.Kind.STRAIGHT)));
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places =
        Footprint.of(shot)
            .changesChain(id)
            .changes(Place.parts(id), Place.leans(id), Place.carries(railId, id))
            .leansOn(railId);
    for (String carrier : shot.node(id).chain().carried().carriers()) {
      places.changes(Place.carries(carrier, id));
    }
    return places.done();
  }

  @Override
  public String summary() {
    return "Ride a rail";
  }
}
