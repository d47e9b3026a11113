package idlelens.web.demo;

import idlelens.core.curve.Curve;
import idlelens.core.part.Chain;
import idlelens.core.part.Curves;
import idlelens.core.part.Feels;
import idlelens.core.part.Lens;
import idlelens.core.part.Parameter;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Shake;
import idlelens.core.part.ShakeWay;
import idlelens.core.part.Smooth;
import idlelens.core.part.SmoothWay;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;

/**
 * On the foredeck of the ferry: it rides on a swell, the camera is held by somebody who shifts from
 * foot to foot, and a card takes the unrest out of that but for a few centimetres. Ten seconds,
 * without a seam.
 */
final class DeckSwell {
  private static final int IN = 1001;
  private static final int OUT = 1240;

  private DeckSwell() {}

  static Shot shot() {
    SetBuilder set = new SetBuilder();
    TernQuay.build(set);
    TernQuay.foredeck(set);
    Map<Path, Curve> camera = DemoShots.still(1.25, 3.35, -2.3, 43, 5, 0);
    camera.put(Path.FOCAL, Curve.still(24));
    camera.put(Path.F_STOP, Curve.still(4));
    set.camera("Deck cam", "ferry-ottoline", camera, Lens.PLAIN.following("bow-lantern"));
    List<Node> nodes = new ArrayList<>(set.nodes());
    nodes.replaceAll(
        node ->
            switch (node.id()) {
              case "ferry-ottoline" -> with(node, swell());
              case "deck-cam" -> with(node, held());
              default -> node;
            });
    return DemoShots.shot("Deck swell", IN, OUT, nodes);
  }

  /** The ferry heaves, rolls and pitches, each at its own time. */
  private static List<Part> swell() {
    ShakeWay way = new ShakeWay.Swell(List.of(0.0, 0.0, 0.0, 0.0, 70.0, 30.0, 0.0, 0.0), 0.1, 0.3);
    Shake layer = new Shake(Shake.of("shake-sea", way, 1, IN).body(), way, 1, true, IN);
    Curves curves = layer.curves();
    curves = moved(curves, "y", 16, 0.2);
    curves = moved(curves, "tilt", 1.1, 0.2);
    curves = moved(curves, "roll", 2.6, 0.1);
    return List.of(layer.withBody(layer.body().withCurves(curves)));
  }

  private static Curves moved(Curves curves, String channel, double far, double hz) {
    for (int c = 0; c < Shake.CHANNELS; c++) {
      Parameter amplitude = Shake.AMPLITUDES.get(c);
      if (amplitude.id().equals(channel)) {
        return curves
            .with(amplitude, Curve.still(far))
            .with(Shake.FREQUENCIES.get(c), Curve.still(hz));
      }
    }
    throw new IllegalArgumentException(channel);
  }

  /** As at a walk, and what takes most of that out again. */
  private static List<Part> held() {
    List<Part> all = new ArrayList<>();
    Feels.Feel walking =
        Feels.ALL.stream().filter(f -> f.name().equals("Walking")).findFirst().orElseThrow();
    for (Shake layer : walking.layers()) {
      all.add(new Shake(layer.body(), layer.way(), 11, true, IN));
    }
    Smooth usual = Smooth.of("smooth-hand", new SmoothWay.Gaussian(6));
    all.add(
        new Smooth(
            usual.body(),
            usual.way(),
            Smooth.Of.ALL,
            new Smooth.Within(OptionalDouble.of(4), OptionalDouble.of(1))));
    return all;
  }

  private static Node with(Node node, List<Part> parts) {
    List<Part> all = new ArrayList<>(node.chain().parts());
    boolean lens = node.chain().lens().isPresent();
    all.addAll(all.size() - (lens ? 1 : 0), parts);
    return node.withChain(new Chain(all));
  }
}
