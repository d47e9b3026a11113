package idlelens.exchange.usd;

import idlelens.core.rule.RefusedException;
import idlelens.core.set.Finish;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.format.ReadBudget;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.Conventions;
import idlelens.exchange.scenefile.FileClock;
import idlelens.exchange.scenefile.FileNode;
import idlelens.exchange.scenefile.Rest;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.ShotHint;
import idlelens.exchange.scenefile.Unread;
import idlelens.exchange.scenefile.Wording;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/** Reads {@code .usda}. */
public final class UsdReader {
  static final String OURS = "custom:" + ShotHint.OURS;
  private static final double USUAL_UNIT = 0.01;
  private static final double USUAL_RATE = 24;
  private static final Set<String> PASSED =
      Set.of("Material", "Shader", "NodeGraph", "GeomSubset", "RenderSettings", "PhysicsScene");
  private static final Set<String> CARRYING = Set.of("Xform", "Scope", "", "Camera", "Mesh");

  private final UsdParser.Layer layer;
  private final ReadBudget budget;
  private final Set<UsdPrim> ofUse;
  private final Set<String> notes;
  private final List<FileNode> nodes = new ArrayList<>();
  private final Unread<UsdPrim> unread = new Unread<>();
  private final Conventions conventions;
  private final UsdCameras cameras;

  private UsdReader(byte[] octets) throws FormatException {
    this.budget = new ReadBudget(octets.length);
    this.layer = UsdParser.parse(octets, budget);
    this.ofUse = ofUse(layer.root());
    this.notes = new LinkedHashSet<>(layer.notes());
    this.conventions = conventions(layer.root());
    this.cameras = new UsdCameras(conventions.metresPerUnit());
  }

  /**
   * @throws FormatException with the line or the path of the prim
   */
  public static SceneFile read(byte[] octets) throws FormatException {
    try {
      return new UsdReader(octets).read();
    } catch (RefusedException e) {
      throw new FormatException(e.where(), e.found(), e.allowed());
    }
  }

  private static Conventions conventions(UsdPrim root) throws FormatException {
    String up = root.metadata.getOrDefault("upAxis", "Y");
    if (!up.equals("Y") && !up.equals("Z")) {
      throw new FormatException("upAxis", "'" + up + "'", "Y or Z");
    }
    double unit = number(root, "metersPerUnit").orElse(USUAL_UNIT);
    return new Conventions(up.equals("Z") ? Axes.Z_UP : Axes.Y_UP, unit, Rest.OWN_Z);
  }

  private static OptionalDouble number(UsdPrim root, String name) throws FormatException {
    String text = root.metadata.get(name);
    if (text == null) {
      return OptionalDouble.empty();
    }
    try {
      return OptionalDouble.of(Double.parseDouble(text));
    } catch (NumberFormatException e) {
      throw new FormatException(name, "'" + text + "'", "a number");
    }
  }

  private SceneFile read() throws FormatException {
    unread.add(layer.root().children, -1);
    while (!unread.isEmpty()) {
      add(unread.next());
    }
    if (nodes.isEmpty()) {
      throw new FormatException("the layer", "without prims", "at least one Xform, Camera or Mesh");
    }
    Optional<JsonPlace> ours = ours(layer.root());
    return new SceneFile(
        conventions,
        Wording.OURS,
        clock(ours.isPresent() ? Optional.of(ShotHint.read(ours.get())) : Optional.empty()),
        nodes,
        ours.isPresent() ? Optional.of(ShotHint.read(ours.get())) : Optional.empty(),
        budget,
        List.copyOf(notes));
  }

  private FileClock clock(Optional<ShotHint> hint) throws FormatException {
    UsdPrim root = layer.root();
    OptionalDouble start = number(root, "startTimeCode");
    OptionalDouble end = number(root, "endTimeCode");
    OptionalDouble stated = number(root, "timeCodesPerSecond");
    double ticks = stated.isPresent() ? stated.getAsDouble() : USUAL_RATE;
    OptionalDouble frames = number(root, "framesPerSecond");
    double perSecond = frames.isPresent() ? frames.getAsDouble() : ticks;
    if (!(ticks > 0 && ticks <= 1e6)) {
      throw new FormatException("timeCodesPerSecond", ticks, "more than 0 and at most 1e6");
    }
    double first = start.orElse(0);
    if (!(Math.abs(first) <= 1e7 && Math.abs(end.orElse(0)) <= 1e7)) {
      throw new FormatException("startTimeCode", first, "-1e7 to 1e7");
    }
    int number = (int) Math.rint(first * perSecond / ticks);
    return new FileClock(
        ticks,
        first,
        end,
        hint.map(ShotHint::rate).or(() -> rate(perSecond)),
        start.isPresent() ? Optional.of(number) : Optional.empty());
  }

  private static Optional<FrameRate> rate(double perSecond) {
    try {
      return Optional.of(FrameRate.parse(String.format(Locale.ROOT, "%.6g", perSecond)));
    } catch (RefusedException e) {
      return Optional.empty();
    }
  }

  private static Optional<JsonPlace> ours(UsdPrim prim) throws FormatException {
    String text = prim.metadata.get(OURS);
    return text == null
        ? Optional.empty()
        : Optional.of(
            new JsonPlace(
                JsonPlace.parse(text.getBytes(StandardCharsets.UTF_8)).node(),
                prim.path() + "." + ShotHint.OURS));
  }

  private void add(Unread.Found<UsdPrim> found) throws FormatException {
    UsdPrim prim = found.node();
    if (!ofUse.contains(prim)) {
      return;
    }
    Optional<JsonPlace> ours = ours(prim);
    List<Content> contents = new ArrayList<>();
    content(prim, ours, contents);
    List<UsdPrim> below = new ArrayList<>();
    for (UsdPrim child : prim.children) {
      if (isOurContent(child)) {
        content(child, ours(child), contents);
      } else {
        below.add(child);
      }
    }
    boolean stands = !UsdTransforms.resets(prim);
    nodes.add(
        new FileNode(
            String.valueOf(nodes.size()),
            prim.metadata.getOrDefault("displayName", prim.name()),
            prim.path(),
            stands ? found.parent() : -1,
            UsdTransforms.read(prim),
            prim.seen().checked(),
            contents));
    unread.add(below, nodes.size() - 1);
  }

  /** What we put below a node of ours, since more readers play motion that stands there. */
  private static boolean isOurContent(UsdPrim prim) {
    return prim.metadata.containsKey(OURS)
        && prim.children.isEmpty()
        && prim.words("xformOpOrder").isEmpty();
  }

  /** Scopes are of use only for what is in them; from the innermost outwards. */
  private static Set<UsdPrim> ofUse(UsdPrim root) {
    List<UsdPrim> all = new ArrayList<>(List.of(root));
    for (int i = 0; i < all.size(); i++) {
      all.get(i).children.stream().filter(c -> !PASSED.contains(c.type())).forEach(all::add);
    }
    Set<UsdPrim> ofUse = Collections.newSetFromMap(new IdentityHashMap<>());
    for (int i = all.size() - 1; i >= 0; i--) {
      UsdPrim prim = all.get(i);
      boolean scope = prim.type().equals("Scope") || prim.type().isEmpty();
      if (!scope || prim.children.stream().anyMatch(ofUse::contains)) {
        ofUse.add(prim);
      }
    }
    return ofUse;
  }

  private void content(UsdPrim prim, Optional<JsonPlace> ours, List<Content> into)
      throws FormatException {
    switch (prim.type()) {
      case "Camera":
        into.add(cameras.read(prim, ours));
        break;
      case "Mesh":
        into.add(new Content.Piece(prim.path(), UsdMeshes.read(prim, budget), ours));
        break;
      case "DistantLight":
        into.add(sun(prim));
        break;
      default:
        if (!CARRYING.contains(prim.type())) {
          notes.add(
              prim.path() + ": a " + prim.type() + " is left out; a null stands in its place");
        }
    }
  }

  private Content.Sun sun(UsdPrim prim) {
    double[] rgb =
        prim.numbers("inputs:color").filter(c -> c.length == 3).orElse(new double[] {1, 1, 1});
    double stated =
        prim.numbers("inputs:intensity").filter(v -> v.length == 1).map(v -> v[0]).orElse(1.0);
    double strength = Math.max(0, Math.min(10, stated));
    if (strength != stated) {
      notes.add(
          prim.path() + ": a strength of " + stated + " is beyond 0 to 10; it is " + strength);
    }
    return new Content.Sun(prim.path(), Finish.hex(rgb[0], rgb[1], rgb[2]), strength);
  }
}
