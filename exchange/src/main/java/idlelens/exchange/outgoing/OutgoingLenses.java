package idlelens.exchange.outgoing;

import idlelens.core.lens.Gate;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.part.FocusRule;
import idlelens.core.part.Lens;
import idlelens.core.part.Parameter;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.LensJson;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.Conventions;
import idlelens.exchange.scenefile.FollowHint;
import idlelens.exchange.scenefile.Holds;
import idlelens.exchange.scenefile.Lane;
import idlelens.exchange.scenefile.LensExtras;
import idlelens.exchange.scenefile.View;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** What the lenses of cameras do over the receiver's frames. */
final class OutgoingLenses {
  private final HandOff handOff;
  private final Evaluation motion;
  private final OutgoingAxes axes;
  private final Holds holds;
  private final double[] times;
  private final Map<String, Integer> index;
  private final Set<String> notes;

  OutgoingLenses(
      HandOff handOff,
      Evaluation motion,
      Conventions conventions,
      Holds holds,
      double[] times,
      Map<String, Integer> index,
      Set<String> notes) {
    this.handOff = handOff;
    this.motion = motion;
    this.holds = holds;
    this.axes = new OutgoingAxes(conventions);
    this.times = times;
    this.index = index;
    this.notes = notes;
  }

  Content.Camera of(Node.Camera camera) {
    Shot shot = handOff.shot();
    LensTrack lens = motion.of(camera.id()).lens().orElseThrow();
    double aspect = shot.header().aspect();
    String name = camera.name();
    View view = lens.isOrthographic() ? parallel(name, lens, aspect) : focal(name, lens, aspect);
    sayShift(camera, lens);
    return new Content.Camera(
        name,
        view,
        OptionalDouble.of(aspect),
        Optional.of(lane(name, lens.fStop(), 1)),
        Optional.of(lane(name, lens.focusM(), axes.length(1))),
        Optional.of(ours(camera, lens)));
  }

  private View parallel(String name, LensTrack lens, double aspect) {
    if (!holds.parallel()) {
      throw new RefusedException(
          "camera",
          "'" + name + "', which is orthographic",
          "a camera in perspective in this format; .usda and .glb take both");
    }
    double unit = axes.length(1);
    return new View.Parallel(
        lane(name, lens.widthM(), unit), lane(name, lens.widthM(), unit / aspect));
  }

  private View focal(String name, LensTrack lens, double aspect) {
    Back back = back(lens.gate(0), aspect);
    return new View.Focal(
        lane(name, seen(lens, back), 1),
        Lane.still(name, back.widthMm),
        Lane.still(name, back.heightMm));
  }

  /** The film back at the receiver. */
  private record Back(double widthMm, double heightMm) {}

  /** A squeezed lens goes out as a round one on a sensor that is as much wider. */
  private Back back(Gate gate, double aspect) {
    return handOff
        .profile()
        .filmBack()
        .map(
            back -> {
              boolean across = handOff.profile().fit() == Gate.Fit.WIDTH;
              double width = across ? back.widthMm() : back.heightMm() * aspect;
              return new Back(width, width / aspect);
            })
        .orElse(new Back(gate.widthMm() * gate.squeeze(), gate.heightMm()));
  }

  /**
   * The focal lengths that see the same on the receiver's film back. Squeeze and overscan change
   * both sides of what is seen alike, so that a keyed one is a zoom there.
   */
  private double[] seen(LensTrack lens, Back back) {
    int samples = lens.isStill() ? 1 : lens.focalMm().length;
    double[] focal = new double[samples];
    for (int i = 0; i < samples; i++) {
      Gate gate = lens.gate(i);
      focal[i] = lens.focalMm()[i] * (back.widthMm / (gate.widthMm() * gate.squeeze()));
    }
    return focal;
  }

  private void sayShift(Node.Camera camera, LensTrack lens) {
    for (int i = 0; i < times.length; i++) {
      if (lens.gate(i).rightMm() != 0 || lens.gate(i).upMm() != 0) {
        notes.add(
            camera.name()
                + ": its lens is shifted; the format has no place for that, so other programs see"
                + " straight ahead, and it comes back to us only");
        return;
      }
    }
  }

  /** What it is set to besides that no format has a place for. */
  private void set(String name, LensTrack lens, ObjectNode out) {
    ObjectNode set = JsonNodeFactory.instance.objectNode();
    for (Parameter parameter : lens.isOrthographic() ? Lens.OF_PARALLEL : Lens.OURS) {
      Lane lane = lane(name, lens.values().values(parameter), 1);
      if (!lane.isConstant() || lane.at(0) != parameter.usual()) {
        LensExtras.samples(set, parameter.id(), lane);
      }
    }
    if (!set.isEmpty()) {
      out.set("set", set);
    }
  }

  private Lane lane(String name, double[] values, double factor) {
    if (values.length == 1 || !LocalOps.varies(values, 1)) {
      return Lane.still(name, values[0] * factor);
    }
    return Lane.of(new Channel(times, values, Channel.Between.LINEAR, 1, name).times(factor));
  }

  /** What only we can read of it: the sensor as it is, and what the focus follows. */
  private JsonPlace ours(Node.Camera camera, LensTrack lens) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    ObjectNode settings = LensJson.write(camera.lens().withFocus(new FocusRule.Distance()));
    settings.remove(Lens.SQUEEZE.id());
    out.set("lens", settings);
    set(camera.name(), lens, out);
    if (camera.lens().focus() instanceof FocusRule.Follow follow) {
      boolean there = FollowHint.write(follow, index, out);
      String what =
          follow.target().nodeId().map(id -> handOff.shot().node(id).name()).orElse("a place");
      notes.add(
          camera.name()
              + ": focus follows "
              + what
              + "; it is written as a distance on every frame"
              + (there ? ", and comes back from this file" : ", and does not come back"));
    } else if (camera.lens().focus() instanceof FocusRule.Pulls) {
      notes.add(
          camera.name()
              + ": focus is pulled between marks; it is written as a distance on every frame, and"
              + " the marks do not come back");
    }
    return new JsonPlace(out, camera.name());
  }
}
