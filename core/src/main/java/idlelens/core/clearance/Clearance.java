package idlelens.core.clearance;

import idlelens.core.lens.Sight;
import idlelens.core.rule.StoppedException;
import java.util.List;
import java.util.function.DoubleConsumer;
import java.util.function.IntFunction;

/**
 * How near a camera and its near plane come to the set, at every sample; everything moves.
 *
 * @param cameraM metres from the camera's place to the nearest triangle; {@link #FARTHEST_M} where
 *     nothing is nearer
 * @param planeM the same from its near plane as wide and high as the picture; 0 where the set cuts
 *     it
 * @param nearest the piece nearest to the camera, or "" where none is
 * @param passes whether the camera goes through a triangle on its way to the next sample
 */
public record Clearance(double[] cameraM, double[] planeM, String[] nearest, boolean[] passes) {
  /** Farther than this nothing is looked for, in metres. */
  public static final double FARTHEST_M = 1000;

  /**
   * @param samples how many samples; obstacles and views are asked for each of them
   * @param views what the camera sees at a sample
   * @param nearM how far before the camera the near plane lies, greater than 0
   * @param progress is told how much is done, 0 to 1
   */
  public static Clearance of(
      int samples,
      IntFunction<Sight> views,
      List<Obstacle> obstacles,
      double nearM,
      DoubleConsumer progress) {
    Clearance all =
        new Clearance(
            new double[samples], new double[samples], new String[samples], new boolean[samples]);
    Search search = new Search(obstacles, nearM, all);
    for (int i = 0; i < samples; i++) {
      if (i % 16 == 0) {
        StoppedException.check();
        progress.accept((double) i / samples);
      }
      search.at(i, views.apply(i), i + 1 < samples ? views.apply(i + 1) : null);
    }
    return all;
  }

  /** Looks at one sample after another; the piece that was nearest is asked first the next time. */
  private static final class Search {
    private final List<Obstacle> obstacles;
    private final double nearM;
    private final Clearance to;
    private int last;

    Search(List<Obstacle> obstacles, double nearM, Clearance to) {
      this.obstacles = obstacles;
      this.nearM = nearM;
      this.to = to;
    }

    void at(int sample, Sight view, Sight next) {
      double[] place = place(view);
      double[] plane = view.plane(nearM);
      double camera = FARTHEST_M;
      double quad = FARTHEST_M;
      int nearest = -1;
      double reach = farthest(place, plane);
      for (int k = 0; k < obstacles.size(); k++) {
        int at = k == 0 ? last : k <= last ? k - 1 : k;
        Obstacle obstacle = obstacles.get(at);
        double least = obstacle.atLeast(sample, place);
        double distance = least > camera ? camera : obstacle.distance(sample, place, camera);
        if (distance < camera) {
          camera = distance;
          nearest = at;
        }
        quad = least - reach > quad ? quad : obstacle.distanceOfArea(sample, plane, quad);
        if (next != null && !to.passes[sample]) {
          to.passes[sample] = obstacle.isPassed(sample, place, place(next));
        }
      }
      last = Math.max(0, nearest);
      to.cameraM[sample] = camera;
      to.planeM[sample] = quad;
      to.nearest[sample] = nearest < 0 ? "" : obstacles.get(nearest).id();
    }

    /** The distance of the farthest corner of the plane. */
    private static double farthest(double[] place, double[] plane) {
      double far = 0;
      for (int i = 0; i < plane.length; i += 3) {
        double x = plane[i] - place[0];
        double y = plane[i + 1] - place[1];
        double z = plane[i + 2] - place[2];
        far = Math.max(far, Math.sqrt(x * x + y * y + z * z));
      }
      return far;
    }

    private static double[] place(Sight view) {
      return new double[] {view.pose().x(), view.pose().y(), view.pose().z()};
    }
  }
}
