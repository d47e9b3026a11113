package idlelens.exchange.outgoing;

import idlelens.core.lens.Gate;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.part.FocusRule;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.json.LensJson;
import idlelens.exchange.scenefile.Channel;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.Conventions;
import idlelens.exchange.scenefile.FollowHint;
import idlelens.exchange.scenefile.Lane;
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
  private final double[] times;
  private final Map<String, Integer> index;
  private final Set<String> notes;

  OutgoingLenses(
      HandOff handOff,
      Evaluation motion,
      Conventions conventions,
      double[] times,
      Map<String, Integer> index,
      Set<String> notes) {
    this.handOff = handOff;
    this.motion = motion;
    this.axes = new OutgoingAxes(conventions);
    this.times = times;
    this.index = index;
    this.notes = notes;
  }

  Content.Camera of(Node.Camera camera) {
    Shot shot = handOff.shot();
    LensTrack lens = motion.of(camera.id()).lens().orElseThrow();
    double aspect = shot.header().aspect();
    Gate gate = camera.lens().lens().gate(aspect);
    Back back = back(gate, aspect);
    String name = camera.name();
    View view =
        new View.Focal(
            lane(name, lens.focalMm(), back.factor),
            Lane.still(name, back.widthMm),
            Lane.still(name, back.heightMm));
    return new Content.Camera(
        name,
        view,
        OptionalDouble.of(aspect),
        Optional.of(lane(name, lens.fStop(), 1)),
        Optional.of(lane(name, lens.focusM(), axes.length(1))),
        Optional.of(ours(camera)));
  }

  /** The film back at the receiver, and what the focal length is multiplied by to see the same. */
  private record Back(double widthMm, double heightMm, double factor) {}

  /** A squeezed lens goes out as a round one on a sensor that is as much wider. */
  private Back back(Gate gate, double aspect) {
    double seenWidth = gate.widthMm() * gate.squeeze();
    return handOff
        .profile()
        .filmBack()
        .map(
            back -> {
              boolean across = handOff.profile().fit() == Gate.Fit.WIDTH;
              double width = across ? back.widthMm() : back.heightMm() * aspect;
              return new Back(width, width / aspect, width / seenWidth);
            })
        .orElse(new Back(seenWidth, gate.heightMm(), 1));
  }

  private Lane lane(String name, double[] values, double factor) {
    if (values.length == 1 || !LocalOps.varies(values, 1)) {
      return Lane.still(name, values[0] * factor);
    }
    return Lane.of(new Channel(times, values, Channel.Between.LINEAR, 1, name).times(factor));
  }

  /** What only we can read of it: the sensor as it is, and what the focus follows. */
  private JsonPlace ours(Node.Camera camera) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.set("lens", LensJson.write(camera.lens().withFocus(new FocusRule.Distance())));
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
    }
    return new JsonPlace(out, camera.name());
  }
}
