package idlelens.core.edit;

import idlelens.core.geometry.RigidPose;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.NodeMotion;
import idlelens.core.motion.OffsetRecorder;
import idlelens.core.part.Recorded;
import idlelens.core.part.Smooth;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.shake.Recording;
import idlelens.core.time.SampleGrid;
import java.util.function.Function;

/**
 * Lifts what a card that smooths takes out of a motion, and puts it on a node as a recording: the
 * motion without the card, seen from the one with it, {@code S(t)^-1 * W(t)}, over the shot and its
 * handles. On the same node behind the card it gives back what was there.
 *
 * @param id the node
 * @param part the card that smooths, on or off
 * @param to the node that gets the recording
 * @param newPart id of the recording's card, which comes last of those that work in the world
 * @param name what the recording is called
 */
public record LiftShake(String id, String part, String to, String newPart, String name)
    implements Edit {
  public LiftShake {
    Require.present(id, "id");
    Require.present(part, "part");
    Require.present(to, "to");
    Require.present(newPart, "newPart");
    name = Require.name(name, 60, "name");
  }

  @Override
  public Shot apply(Shot shot) {
    SampleGrid grid = SampleGrid.over(shot.header().range(), shot.header().handles());
    Recorded made = Recorded.of(newPart, name, recording(shot, grid), grid.first());
    return new AddPart(to, made).apply(shot);
  }

  private Recording recording(Shot shot, SampleGrid grid) {
    NodeMotion smoothed = motion(shot, grid, true);
    NodeMotion was = motion(shot, grid, false);
    OffsetRecorder recorder = new OffsetRecorder();
    for (int i = 0; i < grid.count(); i++) {
      RigidPose off = smoothed.world().pose(i).inverse().times(was.world().pose(i));
      recorder.add(
          off,
          more(was, smoothed, i, LensTrack::focalMm),
          more(was, smoothed, i, LensTrack::focusM));
    }
    if (recorder.isEmpty()) {
      throw new RefusedException(
          "part", "'" + part + "', which takes nothing out", "one that does");
    }
    return recorder.done(shot.header().rate().framesPerSecond());
  }

  private static double more(
      NodeMotion was, NodeMotion is, int sample, Function<LensTrack, double[]> numbers) {
    if (was.lens().isEmpty()) {
      return 0;
    }
    LensTrack before = was.lens().get();
    LensTrack after = is.lens().orElseThrow();
    return numbers.apply(before)[before.index(sample)] - numbers.apply(after)[after.index(sample)];
  }

  private NodeMotion motion(Shot shot, SampleGrid grid, boolean on) {
    Node node = shot.node(id);
    if (!(node.chain().part(part) instanceof Smooth)) {
      throw new RefusedException("part", "'" + part + "'", "a card that smooths");
    }
    Shot other = shot.withNode(node.withPartOn(part, on));
    return Evaluation.ofSome(other, grid, shot.reachedFrom(id)).of(id);
  }

  @Override
  public boolean writesMotion() {
    return true;
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot)
        .reliesOnMotion(id)
        .reliesOnLens(id)
        .writesMotion()
        .changes(Place.part(to, newPart), Place.parts(to), Place.leans(to))
        .reliesOn(Place.there(to))
        .done();
  }

  @Override
  public String summary() {
    return "Lift " + name;
  }
}
