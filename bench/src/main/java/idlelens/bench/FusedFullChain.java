package idlelens.bench;

import idlelens.core.scene.Shot;
import idlelens.core.seed.Shares;
import java.util.Arrays;

/** The rig on a rail with what {@link BenchShots#fullChain} adds: shake and a spring. */
final class FusedFullChain extends FusedRailRig {
  private static final int CHANNELS = 6;
  private static final double HALF_RAD = Math.PI / 360;

  private final long[] streams;
  private final double[] offsets;
  private final double[] left;
  private final double[] right;
  private final double[] knots;
  private final double[] strengths = new double[BenchShots.OCTAVES];
  private final double[] shaken = new double[CHANNELS];
  private final double[] spring = new double[7];

  /**
   * @param frames how many it is run over, warm-up included
   */
  FusedFullChain(Shot shot, int frames) {
    super(shot, frames);
    int noises = BenchShots.LAYERS * CHANNELS * BenchShots.OCTAVES;
    streams = new long[noises];
    offsets = new double[noises];
    left = new double[noises];
    right = new double[noises];
    knots = new double[noises];
    Arrays.fill(knots, Double.NaN);
    double sum = 0;
    double strength = 1;
    for (int o = 0; o < BenchShots.OCTAVES; o++, strength *= BenchShots.ROUGHNESS) {
      strengths[o] = strength;
      sum += strength;
    }
    for (int o = 0; o < BenchShots.OCTAVES; o++) {
      strengths[o] *= 2 / sum;
    }
    for (int n = 0; n < noises; n++) {
      int layer = n / (CHANNELS * BenchShots.OCTAVES);
      int channel = n / BenchShots.OCTAVES % CHANNELS;
      streams[n] = Shares.stream(layer + 1, channel * 8L + n % BenchShots.OCTAVES);
      offsets[n] = Shares.at(streams[n], -1);
    }
  }

  @Override
  protected void finish(double frame, int f) {
    for (int layer = 0; layer < BenchShots.LAYERS; layer++) {
      shake(layer, (frame - 1001) / 24);
    }
    spring(f);
  }

  private void shake(int layer, double seconds) {
    for (int c = 0; c < CHANNELS; c++) {
      double cycles = seconds * BenchShots.hz(layer, c);
      double scale = 2;
      double value = 0;
      int n = (layer * CHANNELS + c) * BenchShots.OCTAVES;
      for (int o = 0; o < BenchShots.OCTAVES; o++, n++, scale *= 2) {
        double at = cycles * scale + offsets[n];
        double below = Math.floor(at);
        if (below != knots[n]) {
          knots[n] = below;
          left[n] = 2 * Shares.at(streams[n], (long) below) - 1;
          right[n] = 2 * Shares.at(streams[n], (long) below + 1) - 1;
        }
        double u = at - below;
        double fade = u * u * u * (u * (6 * u - 15) + 10);
        double rising = left[n] * u;
        value += strengths[o] * (rising + fade * (right[n] * (u - 1) - rising));
      }
      shaken[c] = value * BenchShots.amplitude(layer, c);
    }
    double cy = Math.cos(shaken[3] * HALF_RAD);
    double sy = Math.sin(shaken[3] * HALF_RAD);
    double cx = Math.cos(shaken[4] * HALF_RAD);
    double sx = Math.sin(shaken[4] * HALF_RAD);
    double cz = Math.cos(shaken[5] * HALF_RAD);
    double sz = Math.sin(shaken[5] * HALF_RAD);
    place(shaken[0] / 100, shaken[1] / 100, shaken[2] / 100);
    turn(
        cy * sx * cz + sy * cx * sz,
        sy * cx * cz - cy * sx * sz,
        cy * cx * sz - sy * sx * cz,
        cy * cx * cz + sy * sx * sz);
  }

  private void place(double x, double y, double z) {
    double tx = 2 * (q[4] * z - q[5] * y);
    double ty = 2 * (q[5] * x - q[3] * z);
    double tz = 2 * (q[3] * y - q[4] * x);
    q[0] += x + q[6] * tx + q[4] * tz - q[5] * ty;
    q[1] += y + q[6] * ty + q[5] * tx - q[3] * tz;
    q[2] += z + q[6] * tz + q[3] * ty - q[4] * tx;
  }

  private void turn(double x, double y, double z, double w) {
    double px = q[3];
    double py = q[4];
    double pz = q[5];
    double pw = q[6];
    q[3] = pw * x + px * w + py * z - pz * y;
    q[4] = pw * y - px * z + py * w + pz * x;
    q[5] = pw * z + px * y - py * x + pz * w;
    q[6] = pw * w - px * x - py * y - pz * z;
  }

  /** A part of the way from where it was. */
  private void spring(int f) {
    if (f == 0) {
      System.arraycopy(q, 0, spring, 0, 7);
      return;
    }
    double part = 1 - BenchShots.SPRING;
    for (int c = 0; c < 3; c++) {
      spring[c] += part * (q[c] - spring[c]);
    }
    double cosine = 0;
    for (int c = 3; c < 7; c++) {
      cosine += q[c] * spring[c];
    }
    double sign = cosine < 0 ? -1 : 1;
    double angle = Math.acos(Math.min(1, sign * cosine));
    double sine = Math.sin(angle);
    double from = sine < 1e-9 ? 1 - part : Math.sin((1 - part) * angle) / sine;
    double to = sign * (sine < 1e-9 ? part : Math.sin(part * angle) / sine);
    double length = 0;
    for (int c = 3; c < 7; c++) {
      spring[c] = from * spring[c] + to * q[c];
      length += spring[c] * spring[c];
    }
    double scale = 1 / Math.sqrt(length);
    for (int c = 3; c < 7; c++) {
      spring[c] *= scale;
    }
    System.arraycopy(spring, 0, q, 0, 7);
  }
}
