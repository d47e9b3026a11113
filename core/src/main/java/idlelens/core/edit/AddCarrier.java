package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Carriage;
import idlelens.core.part.Carried;
import idlelens.core.part.Chain;
import idlelens.core.part.Keys;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Ride;
import idlelens.core.part.Slot;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.TakesKeys;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import org.joml.Vector3d;

/**
 * Puts a ready carrier between nodes and what carries them; nothing moves. Each of its nulls takes
 * keys only in what it is there for.
 *
 * @param ids what is carried; the carrier stands below what carries the first of them
 * @param frame the frame whose places and directions it is built from
 * @param newId id of its outermost null; those inside get this id with a number behind
 * @param stem what the names of its nulls begin with, as {@code A-cam}; that of its kind follows
 * @param centre place in the world of the subject, in metres, for a turntable; else empty
 * @param armM length of a boom's arm in metres
 * @param order for a gimbal: the letters of pan, tilt and roll from the outermost to the innermost,
 *     such as {@code ptr}
 */
public record AddCarrier(
    CarrierKind kind,
    List<String> ids,
    double frame,
    String newId,
    String stem,
    List<Double> centre,
    double armM,
    String order)
    implements Edit {
  private static final Set<String> ORDERS = Set.of("ptr", "prt", "tpr", "trp", "rpt", "rtp");
  private static final double SHOULDER_M = 0.15; // below the lens

  public AddCarrier {
    Require.present(kind, "kind");
    ids = List.copyOf(ids);
    Require.within(ids.size(), 1, 1000, "ids.count");
    Require.finite(frame, "frame");
    Require.present(newId, "newId");
    stem = Require.name(stem, 60, "stem");
    centre = List.copyOf(centre);
    boolean hasCentre = kind == CarrierKind.TURNTABLE;
    Require.within(centre.size(), hasCentre ? 3 : 0, hasCentre ? 3 : 0, "centre.count");
    centre.forEach(c -> Require.within(c, -1e5, 1e5, "centre"));
    Require.within(armM, 0, 100, "arm");
    if (!ORDERS.contains(order)) {
      throw new RefusedException("order", "'" + order + "'", "ptr, prt, tpr, trp, rpt or rtp");
    }
  }

  /** A null of the carrier: where it stands in the one around it, and what of it takes keys. */
  private record Link(String name, Chain chain, Set<Path> keyed) {}

  @Override
  public Shot apply(Shot shot) {
    Node first = shot.node(ids.get(0));
    if (kind == CarrierKind.GIMBAL && ids.size() == 1 && canBeTakenApart(first)) {
      return takenApart(shot, first);
    }
    return around(shot, links(shot, first));
  }

  /** Whether the turns of a node are those of a gimbal already, so that it can have its keys. */
  private boolean canBeTakenApart(Node node) {
    return order.equals("ptr") && node.takesKeys().locked().isEmpty() && !WithoutMoves.has(node);
  }

  /** Its curves go to the nulls as they are: {@code T Ry Rx Rz} is their product. */
  private Shot takenApart(Shot shot, Node node) {
    Chain own = node.chain();
    if (!own.part(Keys.ID).isOn()) {
      throw new RefusedException(node.name() + ".keys", "switched off", "to switch Keys on before");
    }
    Chain pan = inSpaceOf(Chain.pose(), own);
    for (Path path : List.of(Path.X, Path.Y, Path.Z, Path.PAN)) {
      pan = pan.with(path, own.curve(path));
    }
    Set<Path> panKeys = Set.of(Path.X, Path.Y, Path.Z, Path.PAN);
    Node outer = link(0, "pan", pan, panKeys);
    Node tilt = inner(1, "tilt", Path.TILT, own);
    Node roll = inner(2, "roll", Path.ROLL, own);
    Node plain = inWorld(node);
    Chain still =
        plain
            .chain()
            .map(Path.POSE, curve -> Curve.still(0))
            .with(new Carried(own.carried().body(), Carriage.by(roll.id())));
    return with(shot, List.of(outer, tilt, roll)).withNode(plain.withChain(still));
  }

  private Node inner(int index, String word, Path path, Chain from) {
    Chain chain =
        Chain.pose().with(path, from.curve(path)).carriedBy(Carriage.by(linkId(index - 1)));
    return link(index, word, chain, Set.of(path));
  }

  private Node link(int index, String word, Chain chain, Set<Path> keyed) {
    Set<Path> leftOut =
        Path.POSE.stream().filter(p -> !keyed.contains(p)).collect(Collectors.toSet());
    String name = word.isEmpty() ? kind.label().toLowerCase(Locale.ROOT) : word;
    return new Node.Null(
        new NodeBody(
            linkId(index), stem + " " + name, false, chain, new TakesKeys(leftOut, Set.of())));
  }

  private String linkId(int index) {
    return index == 0 ? newId : newId + "-" + index;
  }

  private List<Link> links(Shot shot, Node first) {
    Evaluation now = Evaluation.at(shot, frame);
    RigidPose world = now.carriedPose(first.id(), 0);
    RigidPose inCarrier = carrierOf(now, first).inverse().times(world);
    double heading = Math.toDegrees(Turns.panTiltRoll(inCarrier.turn())[0]);
    Vector3d at = inCarrier.place();
    return switch (kind) {
      case GIMBAL -> gimbal(at);
      case TURNTABLE -> List.of(standing(centre(now, first), 0, Set.of(Path.PAN)));
      case DOLLY ->
          List.of(standing(new Vector3d(at.x, 0, at.z), heading, Set.of(Path.X, Path.Z, Path.PAN)));
      case SHOULDER ->
          List.of(standing(new Vector3d(at).sub(0, SHOULDER_M, 0), heading, Set.copyOf(Path.POSE)));
      case BOOM -> boom(at, heading);
    };
  }

  private List<Link> gimbal(Vector3d at) {
    List<Link> links = new ArrayList<>();
    for (char letter : order.toCharArray()) {
      Path path = letter == 'p' ? Path.PAN : letter == 't' ? Path.TILT : Path.ROLL;
      Set<Path> keyed = new HashSet<>(Set.of(path));
      Chain chain = Chain.pose();
      if (links.isEmpty()) {
        chain = chain.restingAt(at.x, at.y, at.z, 0, 0, 0);
        keyed.addAll(Path.PLACE);
      }
      links.add(new Link(path.parameter(), chain, keyed));
    }
    return links;
  }

  private List<Link> boom(Vector3d at, double heading) {
    double back = Math.toRadians(heading);
    Vector3d base = new Vector3d(at).add(armM * Math.sin(back), 0, armM * Math.cos(back));
    Chain arm = Chain.pose().restingAt(0, 0, -armM, 0, 0, 0);
    return List.of(
        new Link("swing", standing(base, heading, Set.of()).chain(), Set.of(Path.PAN)),
        new Link("lift", Chain.pose(), Set.of(Path.TILT)),
        new Link("arm", arm, Set.of(Path.Z)));
  }

  private static Link standing(Vector3d at, double heading, Set<Path> keyed) {
    return new Link("", Chain.pose().restingAt(at.x, at.y, at.z, heading, 0, 0), keyed);
  }

  private Vector3d centre(Evaluation now, Node first) {
    Vector3d world = new Vector3d(centre.get(0), centre.get(1), centre.get(2));
    return carrierOf(now, first).inverse().apply(world);
  }

  private RigidPose carrierOf(Evaluation now, Node node) {
    String carrier = node.chain().carried().carrierAt(frame);
    return carrier.isEmpty() ? RigidPose.IDENTITY : now.carrierPose(node.id(), carrier, 0);
  }

  /** The nulls one in another, in what carries the first; the nodes in the innermost. */
  private Shot around(Shot shot, List<Link> links) {
    Node first = shot.node(ids.get(0));
    boolean wholeSpace = needsWholeSpace(first.chain());
    List<Node> nulls = new ArrayList<>();
    for (Link each : links) {
      Chain chain =
          nulls.isEmpty()
              ? outermost(shot, first, each.chain())
              : each.chain().carriedBy(Carriage.by(linkId(nulls.size() - 1)));
      nulls.add(link(nulls.size(), each.name(), chain, each.keyed()));
    }
    String innermost = linkId(nulls.size() - 1);
    Shot after = with(shot, nulls);
    for (String id : ids) {
      boolean same = wholeSpace && id.equals(first.id());
      after =
          same
              ? below(after, id, nulls)
              : new Carry(id, innermost, frame, Keep.FITTED).apply(after);
    }
    return after;
  }

  /** Carried as the node was; handed over as it was, it stands at the frame where it would. */
  private Chain outermost(Shot shot, Node first, Chain inCarrier) {
    Carried carried = first.chain().carried();
    if (!needsWholeSpace(first.chain())) {
      return inCarrier.carriedBy(Carriage.by(carried.carrier(0)));
    }
    Evaluation now = Evaluation.at(shot, frame);
    RigidPose own =
        now.ownSpace(first.id(), 0)
            .inverse()
            .times(carrierOf(now, first))
            .times(OwnNumbers.pose(inCarrier, frame));
    return inSpaceOf(OwnNumbers.rested(inCarrier, own), first.chain());
  }

  /** A node in the innermost null, which now stands where the node's own space was. */
  private Shot below(Shot shot, String id, List<Node> nulls) {
    RigidPose inner = RigidPose.IDENTITY;
    for (Node each : nulls) {
      inner = inner.times(OwnNumbers.pose(each.chain(), frame));
    }
    String innermost = nulls.get(nulls.size() - 1).id();
    Node plain = inWorld(shot.node(id));
    return shot.withNode(plain.withCarriage(new Carriage(innermost, inner.inverse())));
  }

  /** Whether a space is more than a carrier: handed over, or along a rail. */
  private static boolean needsWholeSpace(Chain chain) {
    return !chain.carried().later().isEmpty()
        || chain.parts().stream().anyMatch(Ride.class::isInstance);
  }

  /** A chain of a pose alone, in the space that another has: its rides and what carries it. */
  private static Chain inSpaceOf(Chain pose, Chain other) {
    List<Part> parts = new ArrayList<>();
    pose.parts().stream().filter(p -> p.kind().slot() == Slot.OWN).forEach(parts::add);
    other.parts().stream().filter(p -> p.kind().slot() == Slot.SPACE).forEach(parts::add);
    return new Chain(parts);
  }

  /** In the world, with no ride of its own. */
  private static Node inWorld(Node node) {
    return node.withChain(node.chain().with(Carried.WORLD)).withoutParts(Ride.class::isInstance);
  }

  private static Shot with(Shot shot, List<Node> added) {
    List<Node> all = new ArrayList<>(shot.nodes());
    all.addAll(added);
    return shot.withNodes(all);
  }

  @Override
  public boolean writesMotion() {
    return true;
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places = Footprint.of(shot).writesMotion();
    for (int i = 0; i < 3; i++) {
      places.changes(Place.node(linkId(i)), Place.inOrder(linkId(i)));
    }
    for (String id : ids) {
      Carried carried = shot.node(id).chain().carried();
      places.changes(Place.leans(id)).changesChain(id).reliesOnMotion(id);
      places.handsOver(carried.later());
      for (String carrier : carried.carriers()) {
        places.changes(Place.carries(carrier, id), Place.carries(carrier, newId));
        places.leansOn(carrier);
      }
    }
    return places.done();
  }

  @Override
  public String summary() {
    return "Add "
        + (kind == CarrierKind.GIMBAL ? "gimbal head" : kind.label().toLowerCase(Locale.ROOT));
  }
}
