package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.part.Chain;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.retime.Landing;
import idlelens.core.retime.Retiming;
import idlelens.core.retime.TimeMap;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Marker;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.core.time.FrameSpan;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Gives the shot another frame rate.
 *
 * @param rate the new rate
 * @param keep what stays
 * @param wholeFrames whether keys are rounded to whole frames where time is kept; if not, they keep
 *     their moments to the last digit and may stand between frames
 */
public record ConvertRate(FrameRate rate, Keep keep, boolean wholeFrames) implements Edit {

  /** What stays when the rate changes. */
  public enum Keep {
    /** Every key stays at its moment in seconds; frame numbers and the number of frames change. */
    TIME,
    /** Every key stays on its frame; the shot plays faster or slower. */
    FRAMES
  }

  public ConvertRate {
    Require.present(rate, "rate");
    Require.present(keep, "keep");
  }

  @Override
  public Shot apply(Shot shot) {
    ShotHeader header = shot.header();
    if (keep == Keep.FRAMES) {
      return shot.withHeader(header.withTime(rate, header.range(), header.handles()));
    }
    double factor = rate.framesPerSecond() / header.rate().framesPerSecond();
    int in = header.range().in();
    TimeMap map = TimeMap.Stretch.all(in, factor);
    int length = Math.max(1, (int) Math.rint(header.range().length() * factor));
    int handles =
        Math.min(ShotHeader.MOST_HANDLES, (int) Math.ceil(header.handles() * factor - 1e-9));
    List<Node> nodes =
        shot.nodes().stream().map(n -> retimed(n, map, factor, header.seen())).toList();
    List<Marker> markers =
        shot.markers().stream().map(m -> m.withFrame(whole(map.at(m.frame())))).toList();
    ShotHeader next = header.withTime(rate, new FrameRange(in, in + length - 1), handles);
    return shot.withHeader(next)
        .withNodes(nodes)
        .withMarkers(markers)
        .withProgram(shot.program().retimed(map::at));
  }

  private Node retimed(Node node, TimeMap map, double factor, FrameSpan seen) {
    Chain chain = node.chain();
    Map<Path, Curve> curves = new LinkedHashMap<>();
    for (Path path : chain.paths()) {
      if (chain.curve(path).isKeyed()) {
        curves.put(
            path, rounded(Retiming.apply(chain.curve(path), map, Landing.REFUSE, seen), node));
      }
    }
    return node.stampsRetimed(frame -> whole(map.at(frame)))
        .withChain(chain.with(curves).mapped(part -> stamped(part, map, factor)));
  }

  /** Frames that a part holds stay at their moments, and what lasts goes on as long. */
  private Part stamped(Part part, TimeMap map, double factor) {
    return part.stampsRetimed(frame -> whole(map.at(frame))).lasting(factor);
  }

  private Curve rounded(Curve curve, Node node) {
    if (!wholeFrames) {
      return curve;
    }
    try {
      return Retiming.move(
          curve, k -> true, k -> k.withFrame(Math.rint(k.frame())), Landing.REFUSE);
    } catch (RefusedException e) {
      throw e.inside(node.name());
    }
  }

  private double whole(double frame) {
    return wholeFrames ? Math.rint(frame) : frame;
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.ALL;
  }

  @Override
  public String summary() {
    return "Convert to " + rate.label() + (keep == Keep.TIME ? ", time kept" : ", frames kept");
  }
}
