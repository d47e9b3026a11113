package idlelens.core.motion;

import idlelens.core.curve.CurvePlayer;
import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Pin;
import idlelens.core.part.Ride;
import idlelens.core.rail.RailCurve;
import idlelens.core.time.FrameRate;
import java.util.HashMap;
import java.util.Map;
import org.joml.Matrix3d;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/**
 * Where on a rail a ride is, in the rail's own space. The pace in per cent of stretches becomes a
 * distance, the distance a place: even pace is even in metres, whatever the anchors. For one
 * thread: it remembers where it was.
 */
public final class Riding {
  private static final double GRAVITY = 9.80665; // m/s^2
  private static final double UPRIGHT_RAD = Math.toRadians(5); // to the vertical
  private static final double TAIL = 3; // sigmas of a Gaussian that count

  private final Ride ride;
  private final RailCurve curve;
  private final double framesPerSecond;
  private final double[] bounds; // where stretches begin and end, in metres
  private final CurvePlayer pace;
  private final Map<Double, Double> leans = new HashMap<>(); // by frame; neighbours share them

  public Riding(Ride ride, RailCurve curve, FrameRate rate) {
    this.ride = ride;
    this.curve = curve;
    this.framesPerSecond = 1 / rate.seconds(1);
    this.bounds = new double[ride.pins().size() + 2];
    int i = 1;
    for (Pin pin : ride.pins()) {
      bounds[i++] = curve.distanceOf(curve.rail().index(pin.anchorId()));
    }
    bounds[i] = curve.length();
    this.pace = ride.evaluated().get(Ride.PACE).player();
  }

  /** Where stretches begin and end: the start, the pins, the end of the rail; metres. */
  public double[] bounds() {
    return bounds.clone();
  }

  /**
   * The distance from the start, in metres, at a pace in per cent of stretches. On an open rail not
   * beyond its ends; on a closed one it goes on round by round.
   */
  public double distance(double percent) {
    int stretches = bounds.length - 1;
    double at = percent / Ride.STRETCH;
    double rounds = 0;
    if (curve.rail().closed()) {
      rounds = Math.floor(at / stretches);
      at -= rounds * stretches;
    }
    double inside = Math.max(0, Math.min(stretches, at));
    int stretch = Math.min(stretches - 1, (int) inside);
    double from = bounds[stretch];
    return rounds * curve.length() + from + (bounds[stretch + 1] - from) * (inside - stretch);
  }

  /** The pace in per cent of stretches at which a distance is reached. */
  public double percent(double distance) {
    double length = curve.length();
    double rounds = curve.rail().closed() && length > 0 ? Math.floor(distance / length) : 0;
    double rest = distance - rounds * length;
    int stretches = bounds.length - 1;
    int stretch = 0;
    while (stretch < stretches - 1 && bounds[stretch + 1] <= rest) {
      stretch++;
    }
    double size = bounds[stretch + 1] - bounds[stretch];
    double inside = size > 0 ? (rest - bounds[stretch]) / size : 0;
    return Ride.STRETCH * (rounds * stretches + stretch + inside);
  }

  /** The distance at a frame, in metres, whatever the pace curve does between pins. */
  public double distanceAt(double frame) {
    return distance(ride.held(frame, pace.at(frame)));
  }

  /** Metres a second along the rail at a frame. */
  public double speed(double frame) {
    double step = 1e-3;
    double way = distanceAt(frame + step) - distanceAt(frame - step);
    return way / (2 * step) * framesPerSecond;
  }

  /**
   * The pose on the rail, in the rail's own space.
   *
   * @param percent its pace at the frame
   * @param side metres to the right
   * @param height metres up
   */
  public RigidPose pose(double frame, double percent, double side, double height) {
    double distance = distance(ride.held(frame, percent));
    double parameter = curve.parameterAt(distance);
    Vector3d place = curve.place(parameter);
    Vector3d ahead = ahead(distance, parameter, place);
    Vector3d up = up(parameter, ahead);
    Vector3d right = new Vector3d(ahead).cross(up);
    place.fma(side, right).fma(height, up);
    if (ride.turn() == Ride.Turn.FREE) {
      return RigidPose.of(place, new Quaterniond());
    }
    Matrix3d axes = new Matrix3d(right, up, new Vector3d(ahead).negate());
    Quaterniond turn = new Quaterniond().setFromNormalized(axes);
    return RigidPose.of(place, turn.rotateZ(-lean(frame)));
  }

  /** The direction it is turned to: along the rail, or to what is so many metres ahead on it. */
  private Vector3d ahead(double distance, double parameter, Vector3d place) {
    if (ride.lookAheadM() == 0) {
      return curve.direction(parameter);
    }
    double far = distance + ride.lookAheadM();
    double reached = curve.parameterAt(far);
    Vector3d target = curve.place(reached);
    if (!curve.rail().closed() && far > curve.length()) {
      target.fma(far - curve.length(), curve.direction(reached));
    }
    Vector3d way = target.sub(place);
    return way.length() > 1e-9 ? way.normalize() : curve.direction(parameter);
  }

  /** Level, except near the vertical, where it fades to the frame of the rail. */
  private Vector3d up(double parameter, Vector3d ahead) {
    double flat = Math.hypot(ahead.x, ahead.z); // sine of the angle to the vertical
    if (ride.turn() == Ride.Turn.RAIL || flat < 1e-9) {
      return across(curve.up(parameter), ahead);
    }
    Vector3d level = across(new Vector3d(0, 1, 0), ahead);
    double share = Math.min(1, Math.asin(Math.min(1, flat)) / UPRIGHT_RAD);
    if (share == 1) {
      return level; // the frame of the rail is not asked for: it costs more than all the rest
    }
    Vector3d rail = across(curve.up(parameter), ahead);
    Vector3d mixed = rail.lerp(level, share * share * (3 - 2 * share), new Vector3d());
    return mixed.length() > 1e-6 ? across(mixed, ahead) : rail;
  }

  private static Vector3d across(Vector3d up, Vector3d ahead) {
    Vector3d out = new Vector3d(up).fma(-up.dot(ahead), ahead);
    return out.length() > 1e-9 ? out.normalize() : new Vector3d(up).orthogonalizeUnit(ahead);
  }

  /** How far it leans to the right at a frame, in radians. */
  double lean(double frame) {
    Ride.Banking bank = ride.banking();
    if (bank.share() == 0) {
      return 0;
    }
    double sigma = bank.smoothFrames();
    if (sigma == 0) {
      return leanAt(frame);
    }
    int reach = (int) Math.ceil(TAIL * sigma);
    double sum = 0;
    double weights = 0;
    for (int i = -reach; i <= reach; i++) {
      double weight = Math.exp(-0.5 * i * i / (sigma * sigma));
      sum += weight * leans.computeIfAbsent(frame + i, this::leanAt);
      weights += weight;
    }
    return sum / weights;
  }

  /** {@code k v^2 curvature / g}, towards the inside of the bend, limited. */
  private double leanAt(double frame) {
    double parameter = curve.parameterAt(distanceAt(frame));
    Vector3d ahead = curve.direction(parameter);
    Vector3d right = new Vector3d(ahead).cross(up(parameter, ahead));
    double bend = curve.curvature(parameter).dot(right);
    double speed = speed(frame);
    double limit = Math.toRadians(ride.banking().limitDeg());
    double lean = ride.banking().share() * speed * speed * bend / GRAVITY;
    return Math.max(-limit, Math.min(limit, lean));
  }
}
