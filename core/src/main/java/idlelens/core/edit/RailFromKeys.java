package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.CurveFit;
import idlelens.core.curve.Key;
import idlelens.core.part.Carriage;
import idlelens.core.part.Carried;
import idlelens.core.part.Chain;
import idlelens.core.part.Keys;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Ride;
import idlelens.core.rail.Rail;
import idlelens.core.rail.RailCurve;
import idlelens.core.rail.StrokeFit;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.joml.Vector3d;

/**
 * Makes a rail of the path that a node's keys draw, in the space that they are in, and lets the
 * node ride it as it went: its place is keyed as a pace from now on, its turn as it was.
 *
 * @param toleranceM how far the rail may be from the path, in metres
 * @param partId id of the new part of the node's chain
 */
public record RailFromKeys(String id, String newId, String name, double toleranceM, String partId)
    implements Edit {
  public RailFromKeys {
    Require.present(id, "id");
    Require.present(newId, "newId");
    Require.present(name, "name");
    Require.within(toleranceM, 1e-4, 10, "tolerance");
    Require.present(partId, "partId");
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Carried carried = node.chain().carried();
    refuse(node, carried);
    SampleGrid grid = SampleGrid.over(shot.header().range(), shot.header().handles());
    List<Vector3d> places = new ArrayList<>();
    for (int i = 0; i < grid.count(); i++) {
      places.add(OwnNumbers.pose(node.chain(), grid.frame(i)).place());
    }
    Rail rail;
    try {
      rail = StrokeFit.fit(places, toleranceM, false);
    } catch (RefusedException e) {
      throw new RefusedException(node.name() + ".x", "still, as y and z are", "a place that moves");
    }
    List<Node> all = new ArrayList<>(shot.nodes());
    NodeBody body = new NodeBody(newId, name, false, carried.by(), Chain.pose());
    all.add(new Node.Rail(body, rail));
    return shot.withNodes(all).withNode(riding(node, pace(grid, places, rail.curve())));
  }

  private static void refuse(Node node, Carried carried) {
    WithoutMoves.refuse(node, "keys");
    if (!carried.later().isEmpty()) {
      throw new RefusedException(
          node.name() + ".carrier", "another one after a hand-over", "one carrier for all frames");
    }
    if (node.chain().ride(carried.by().carrierId()).isPresent()) {
      throw new RefusedException(node.name() + ".carrier", "a rail", "a node that rides none");
    }
    if (!node.chain().part(Keys.ID).isOn()) {
      throw new RefusedException(node.name() + ".keys", "switched off", "to switch Keys on before");
    }
  }

  /** Few keys of how far along the rail the node is at each frame. */
  private Curve pace(SampleGrid grid, List<Vector3d> places, RailCurve curve) {
    double[] frames = new double[places.size()];
    double[] percent = new double[places.size()];
    double whole = 0;
    for (int i = 1; i < places.size(); i++) {
      whole += places.get(i).distance(places.get(i - 1));
    }
    double gone = 0;
    double last = 0;
    for (int i = 0; i < places.size(); i++) {
      gone += i == 0 ? 0 : places.get(i).distance(places.get(i - 1));
      double guess = gone / whole * curve.length();
      double reach = Math.max(4 * toleranceM, curve.length() / 50);
      last = Math.max(last, curve.nearest(places.get(i), guess - reach, guess + reach));
      frames[i] = grid.frame(i);
      percent[i] = last / curve.length() * Ride.STRETCH;
    }
    List<Key> keys = CurveFit.fit(frames, percent, toleranceM / 2 / curve.length() * Ride.STRETCH);
    return new Curve(percent[0], keys);
  }

  private Node riding(Node node, Curve pace) {
    Map<Path, Curve> still = new LinkedHashMap<>();
    Path.PLACE.forEach(p -> still.put(p, Curve.still(0)));
    List<Part> parts = new ArrayList<>(node.chain().with(still).parts());
    Ride ride = Ride.on(partId, newId);
    parts.add(
        1,
        new Ride(ride.body(), newId, Ride.Turn.FREE, Ride.Banking.NONE, 0, List.of())
            .withPace(pace));
    return node.withChain(new Chain(parts)).withCarriage(Carriage.by(newId));
  }

  @Override
  public boolean writesMotion() {
    return true;
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places =
        Footprint.of(shot)
            .changesChain(id)
            .changes(Place.node(newId), Place.inOrder(newId), Place.leans(id))
            .reliesOn(Place.header("range"), Place.header("handles"));
    for (String carrier : shot.node(id).chain().carried().carriers()) {
      places.changes(Place.carries(carrier, id), Place.carries(carrier, newId)).leansOn(carrier);
    }
    return places.done();
  }

  @Override
  public String summary() {
    return "Make a rail of keys";
  }
}
