package idlelens.core.check;

import idlelens.core.clearance.Obstacle;
import idlelens.core.geometry.RigidPose;
import idlelens.core.lens.Sight;
import java.util.ArrayList;
import java.util.List;
import org.joml.Vector3d;

/**
 * Which obstacles can stand between a camera and a place in its picture: those whose ball reaches
 * the tile of the picture that the place lies in. With it, asking for many places costs no more
 * than what stands around each.
 */
public final class PictureTiles {
  private static final int ACROSS = 48;
  private static final int DOWN = 32;
  private static final double HALF = 0.5;
  private static final double ROUNDING = 1e-9;

  private final Sight sight;
  private final List<List<Obstacle>> tiles = new ArrayList<>(ACROSS * DOWN);

  /**
   * @param sight what the camera sees at the sample
   */
  public PictureTiles(List<Obstacle> obstacles, Sight sight, int sample) {
    this.sight = sight;
    for (int i = 0; i < ACROSS * DOWN; i++) {
      tiles.add(new ArrayList<>());
    }
    for (Obstacle obstacle : obstacles) {
      RigidPose pose = obstacle.pose(sample);
      add(obstacle, sight.seen(new Vector3d(pose.x(), pose.y(), pose.z())), obstacle.reach(sample));
    }
  }

  /**
   * @param place in picture widths from the middle; what lies outside the picture counts as its
   *     edge
   */
  public List<Obstacle> at(double[] place) {
    int column = tile(place[0], 1, ACROSS);
    return tiles.get(tile(place[1], sight.height(), DOWN) * ACROSS + column);
  }

  private void add(Obstacle obstacle, Vector3d middle, double radius) {
    double[] across = reached(middle.x, -middle.z, radius, sight.across(), sight.right());
    double[] up = reached(middle.y, -middle.z, radius, sight.up(), sight.above());
    if (across[0] > HALF || across[1] < -HALF || up[0] > HALF || up[1] < -HALF) {
      return;
    }
    int left = tile(across[0], 1, ACROSS);
    int right = tile(across[1], 1, ACROSS);
    for (int row = tile(up[0], 1, DOWN); row <= tile(up[1], 1, DOWN); row++) {
      for (int column = left; column <= right; column++) {
        tiles.get(row * ACROSS + column).add(obstacle);
      }
    }
  }

  /**
   * From where to where a ball reaches in the picture along one of its axes, in widths or heights
   * of the picture: between the two planes through the camera, or in parallel, that touch it.
   *
   * @param half of the picture, as {@link Sight#across}
   * @param shift of its middle, as {@link Sight#right}
   */
  private double[] reached(double aside, double ahead, double radius, double half, double shift) {
    double beside = shift / (2 * half);
    if (sight.isParallel()) {
      double more = radius * (1 + ROUNDING);
      return new double[] {
        (aside - more) / (2 * half) - beside, (aside + more) / (2 * half) - beside
      };
    }
    double far = Math.hypot(aside, ahead);
    if (far <= radius) {
      return new double[] {Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY};
    }
    double middle = Math.atan2(aside, ahead);
    double wide = Math.asin(radius / far) + ROUNDING;
    return new double[] {
      inPicture(middle - wide, half) - beside, inPicture(middle + wide, half) - beside
    };
  }

  private static double inPicture(double angle, double tangent) {
    if (Math.abs(angle) >= Math.PI / 2) {
      return Math.copySign(Double.POSITIVE_INFINITY, angle);
    }
    return Math.tan(angle) / (2 * tangent);
  }

  /** The tile along an axis of the picture that is so long. */
  private static int tile(double at, double length, int count) {
    return (int) Math.max(0, Math.min(count - 1, Math.floor((at / length + HALF) * count)));
  }
}
