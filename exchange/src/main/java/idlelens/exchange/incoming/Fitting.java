package idlelens.exchange.incoming;

import idlelens.core.curve.Key;
import idlelens.core.edit.AddNodes;
import idlelens.core.edit.Carry;
import idlelens.core.edit.Edit;
import idlelens.core.edit.Keep;
import idlelens.core.edit.Keying;
import idlelens.core.edit.Picks;
import idlelens.core.edit.Punch;
import idlelens.core.edit.ReduceKeys;
import idlelens.core.edit.RemoveKeys;
import idlelens.core.edit.SetTakesKeys;
import idlelens.core.edit.SetValues;
import idlelens.core.edit.TakeToKeys;
import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Family;
import idlelens.core.part.Path;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.core.scene.TakesKeys;
import idlelens.core.take.Take;
import idlelens.core.time.FrameSpan;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.DoublePredicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * How the motion of a camera that came in is written: with a key on every frame or few, into the
 * camera alone or on carriers.
 *
 * @param keep {@link Keep#EVERY_FRAME} or {@link Keep#FITTED}
 * @param tolerance for few keys: times a millimetre, and a hundredth of a degree; 0.01 to 1000
 * @param carriers on what it rides
 */
public record Fitting(Keep keep, double tolerance, Carriers carriers) {

  private static final List<Path> MOTION =
      Stream.concat(Path.POSE.stream(), Stream.of(Path.FOCAL, Path.FOCUS)).toList();

  private static final Map<Path, Double> ON_ITS_HEAD =
      Path.POSE.stream().collect(Collectors.toMap(path -> path, path -> 0.0));

  /** On what a camera rides. */
  public enum Carriers {
    /** On what it has. */
    AS_IT_IS,
    /** Its place on a dolly, its turn on a head that the dolly carries. */
    DOLLY_AND_HEAD
  }

  public Fitting {
    if (keep == null || !keep.isMotion()) {
      throw new RefusedException("keep", keep, "every-frame or fitted");
    }
    Require.within(tolerance, 0.01, 1000, "tolerance");
    Require.present(carriers, "carriers");
  }

  /**
   * The edits that replace the motion of a camera; all else of it stays. Before the take and behind
   * it the camera is held.
   *
   * @param take what it is to do, from a frame on
   * @param newId the id of the first carrier that is made; the second gets a 2 behind it
   */
  public List<Edit> edits(Shot shot, String camera, Take take, double start, String newId) {
    Punch punch = punch(shot, take, start);
    List<Edit> edits = new ArrayList<>();
    removal(shot.camera(camera), frame -> true).ifPresent(edits::add);
    if (carriers == Carriers.DOLLY_AND_HEAD) {
      carriers(shot, camera, newId).forEach(edits::add);
      String head = newId + "2";
      edits.add(new SetValues(camera, start, ON_ITS_HEAD, Keying.STILL));
      edits.add(takesKeys(newId, Path.TURN));
      edits.add(new TakeToKeys(newId, level(take), start, punch, keep, tolerance));
      edits.add(takesKeys(head, Path.PLACE));
      edits.add(new TakeToKeys(head, take, start, punch, keep, tolerance));
      edits.add(takesKeys(camera, Path.POSE));
      edits.add(new TakeToKeys(camera, take, start, punch, keep, tolerance));
      edits.add(new SetTakesKeys(camera, shot.node(camera).takesKeys()));
    } else {
      edits.add(new TakeToKeys(camera, take, start, punch, keep, tolerance));
    }
    boolean alone = carriers == Carriers.AS_IT_IS;
    List<String> moved = alone ? List.of(camera) : List.of(camera, newId, newId + "2");
    edits.addAll(holding(shot, edits, moved, punch));
    return edits;
  }

  /**
   * The edits that remove what keeps nodes outside a stretch as they were; held beyond their keys,
   * they stand as at the ends of it.
   *
   * @param edits those that wrote the stretch
   */
  private static List<Edit> holding(Shot shot, List<Edit> edits, List<String> moved, Punch punch) {
    Shot written = shot;
    for (Edit edit : edits) {
      written = edit.apply(written);
    }
    List<Edit> all = new ArrayList<>();
    for (String id : moved) {
      removal(written.node(id), frame -> frame < punch.from() || frame > punch.to())
          .ifPresent(all::add);
    }
    return all;
  }

  /**
   * The edits after which what carries cameras that came in keeps few keys too; the cameras are not
   * changed. On a dolly and a head of their own they are left: these stand beside them.
   *
   * @param shot with the cameras, carried by what came in with them
   */
  public List<Edit> ofCarriers(Shot shot, List<String> cameras) {
    if (keep != Keep.FITTED || carriers != Carriers.AS_IT_IS) {
      return List.of();
    }
    Set<String> carrying = new LinkedHashSet<>();
    for (String camera : cameras) {
      String up = shot.node(camera).carriage().carrierId();
      while (!up.isEmpty() && carrying.add(up)) {
        up = shot.node(up).carriage().carrierId();
      }
    }
    return carrying.stream().<Edit>map(id -> new ReduceKeys(id, Path.POSE, tolerances())).toList();
  }

  private Map<Family, Double> tolerances() {
    return Stream.of(Family.PLACE, Family.TURN)
        .collect(Collectors.toMap(family -> family, family -> family.tolerance() * tolerance));
  }

  private static SetTakesKeys takesKeys(String id, List<Path> leftOut) {
    return new SetTakesKeys(id, new TakesKeys(Set.copyOf(leftOut), Set.of()));
  }

  /** The frames of the take that the shot computes. */
  private static Punch punch(Shot shot, Take take, double start) {
    FrameSpan seen = shot.header().seen();
    double end = start + shot.header().rate().frames(take.seconds());
    int from = (int) Math.ceil(Math.max(seen.from(), start - 1e-6));
    int to = (int) Math.floor(Math.min(seen.to(), end + 1e-6));
    if (to <= from) {
      throw new RefusedException(
          "firstFrame",
          (long) Math.ceil(start) + " to " + (long) Math.floor(end),
          String.format(
              Locale.ROOT,
              "at least two of the frames of the shot, %.0f to %.0f",
              seen.from(),
              seen.to()));
    }
    return new Punch(from, to, 0);
  }

  /** What removes the keys of the motion on some frames, as far as the node takes keys there. */
  private static Optional<Edit> removal(Node node, DoublePredicate frames) {
    Set<Double> found = new TreeSet<>();
    List<Path> paths = new ArrayList<>();
    for (Path path : MOTION) {
      if (node.takesKeys().passes(path) && node.chain().has(path)) {
        List<Double> there =
            node.chain().curve(path).keys().stream().map(Key::frame).filter(frames::test).toList();
        found.addAll(there);
        if (!there.isEmpty()) {
          paths.add(path);
        }
      }
    }
    return paths.isEmpty()
        ? Optional.empty()
        : Optional.of(new RemoveKeys(Picks.of(node.id(), paths, List.copyOf(found))));
  }

  /** A dolly below what carries the camera, a head upon it, and the camera upon that. */
  private static List<Edit> carriers(Shot shot, String camera, String newId) {
    Node node = shot.camera(camera);
    String head = newId + "2";
    Node dolly = carrier(newId, node.name() + " dolly", node.carriage().carrierId());
    Node turning = carrier(head, node.name() + " head", newId);
    return List.of(new AddNodes(List.of(dolly, turning)), new Carry(camera, head, 0, Keep.NUMBERS));
  }

  private static Node carrier(String id, String name, String below) {
    Carriage carriage = new Carriage(below, RigidPose.IDENTITY);
    String shown = name.length() > 80 ? name.substring(name.length() - 80) : name;
    return new Node.Null(new NodeBody(id, shown, false, carriage, Chain.pose()));
  }

  /** The place of a take, without any turn. */
  private static Take level(Take take) {
    List<Optional<double[]>> columns = new ArrayList<>();
    for (int c = 0; c < Take.COLUMNS.size(); c++) {
      double[] column = new double[take.length()];
      boolean place = c < 3;
      columns.add(place ? take.column(c) : c < Take.FOCAL ? Optional.of(column) : Optional.empty());
    }
    return new Take(take.rateHz(), columns);
  }
}
