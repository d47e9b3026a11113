package idlelens.bench;

import idlelens.core.curve.CurvePlayer;
import idlelens.core.lens.Gate;
import idlelens.core.part.Path;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The same arithmetic as the evaluator, fused by hand into one loop over frames with everything in
 * flat arrays: the floor that the evaluator is measured against.
 */
final class FusedRigs {
  private static final double HALF_RAD = Math.PI / 360;

  private final int count;
  private final int[] carrier;
  private final CurvePlayer[][] pose;
  private final CurvePlayer[][] lens;
  private final double[] gateWidth;
  private final double[] gateHeight;
  private final double[] circle;
  private final double[] world;
  private final double[] out;

  FusedRigs(Shot shot) {
    List<Node> nodes = shot.nodes();
    Map<String, Integer> index = new HashMap<>();
    count = nodes.size();
    carrier = new int[count];
    pose = new CurvePlayer[count][];
    lens = new CurvePlayer[count][];
    gateWidth = new double[count];
    gateHeight = new double[count];
    circle = new double[count];
    for (int i = 0; i < count; i++) {
      Node node = nodes.get(i);
      index.put(node.id(), i);
      carrier[i] = index.getOrDefault(node.carriage().carrierId(), -1);
      pose[i] = players(node, Path.POSE);
      if (node instanceof Node.Camera camera) {
        lens[i] = players(node, List.of(Path.FOCAL, Path.F_STOP, Path.FOCUS));
        Gate gate = camera.lens().gate(shot.header().aspect(), 0);
        gateWidth[i] = gate.widthMm();
        gateHeight[i] = gate.heightMm();
        circle[i] = camera.lens().lens().circleMm(shot.header().aspect(), gate.squeeze());
      }
    }
    world = new double[count * 7];
    out = new double[BenchShots.FRAMES * count * 15];
  }

  private static CurvePlayer[] players(Node node, List<Path> channels) {
    List<CurvePlayer> players = new ArrayList<>();
    channels.forEach(c -> players.add(node.chain().curve(c).player()));
    return players.toArray(CurvePlayer[]::new);
  }

  /** Poses (7 numbers) and lenses (8 numbers) of all nodes at all frames. */
  double[] run(int first) {
    int at = 0;
    for (int f = 0; f < BenchShots.FRAMES; f++) {
      double frame = first + f;
      for (int i = 0; i < count; i++, at += 15) {
        place(i, frame);
        System.arraycopy(world, i * 7, out, at, 7);
        if (lens[i] != null) {
          lens(i, frame, at + 7);
        }
      }
    }
    return out;
  }

  private void place(int i, double frame) {
    CurvePlayer[] c = pose[i];
    double x = c[0].at(frame);
    double y = c[1].at(frame);
    double z = c[2].at(frame);
    double pan = c[3].at(frame) * HALF_RAD;
    double tilt = c[4].at(frame) * HALF_RAD;
    double roll = c[5].at(frame) * HALF_RAD;
    double cy = Math.cos(pan);
    double sy = Math.sin(pan);
    double cx = Math.cos(tilt);
    double sx = Math.sin(tilt);
    double cz = Math.cos(roll);
    double sz = Math.sin(roll);
    double qx = cy * sx * cz + sy * cx * sz;
    double qy = sy * cx * cz - cy * sx * sz;
    double qz = cy * cx * sz - sy * sx * cz;
    double qw = cy * cx * cz + sy * sx * sz;
    int w = i * 7;
    if (carrier[i] < 0) {
      set(w, x, y, z, qx, qy, qz, qw);
      return;
    }
    int p = carrier[i] * 7;
    double px = world[p + 3];
    double py = world[p + 4];
    double pz = world[p + 5];
    double pw = world[p + 6];
    double tx = 2 * (py * z - pz * y);
    double ty = 2 * (pz * x - px * z);
    double tz = 2 * (px * y - py * x);
    set(
        w,
        world[p] + x + pw * tx + py * tz - pz * ty,
        world[p + 1] + y + pw * ty + pz * tx - px * tz,
        world[p + 2] + z + pw * tz + px * ty - py * tx,
        pw * qx + px * qw + py * qz - pz * qy,
        pw * qy - px * qz + py * qw + pz * qx,
        pw * qz + px * qy - py * qx + pz * qw,
        pw * qw - px * qx - py * qy - pz * qz);
  }

  private void set(
      int w, double x, double y, double z, double qx, double qy, double qz, double qw) {
    world[w] = x;
    world[w + 1] = y;
    world[w + 2] = z;
    world[w + 3] = qx;
    world[w + 4] = qy;
    world[w + 5] = qz;
    world[w + 6] = qw;
  }

  private void lens(int i, double frame, int at) {
    double f = lens[i][0].at(frame);
    double stop = lens[i][1].at(frame);
    double s = lens[i][2].at(frame);
    double h = (f * f / (stop * circle[i]) + f) / 1000;
    double fm = f / 1000;
    out[at] = f;
    out[at + 1] = stop;
    out[at + 2] = s;
    out[at + 3] = s * (h - fm) / (h + s - 2 * fm);
    out[at + 4] = s >= h ? Double.POSITIVE_INFINITY : s * (h - fm) / (h - s);
    out[at + 5] = h;
    out[at + 6] = 2 * Math.atan(gateWidth[i] / (2 * f));
    out[at + 7] = 2 * Math.atan(gateHeight[i] / (2 * f));
  }
}
