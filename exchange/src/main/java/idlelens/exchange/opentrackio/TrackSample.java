package idlelens.exchange.opentrackio;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * A sample of OpenTrackIO, in our axes: +Y up, the camera along its own -Z.
 *
 * @param pose of the camera; its transforms one in another
 * @param focalMm focal length in millimetres, if it is said
 * @param focusM focus distance in metres, if it is said
 * @param rateHz samples a second, if that is said
 * @param number which sample it is, if that is said
 */
public record TrackSample(
    RigidPose pose,
    OptionalDouble focalMm,
    OptionalDouble focusM,
    OptionalDouble rateHz,
    OptionalLong number) {
  private static final int MOST_TRANSFORMS = 16;
  private static final double FARTHEST_M = 1e5;
  private static final int THOUSAND = 1000;
  private static final double GREATEST_NUMBER = 4_294_967_295.0;

  /**
   * @throws FormatException with the path in the sample, what was found and what is allowed
   */
  public static TrackSample read(String line) throws FormatException {
    JsonPlace sample = JsonPlace.parse(line.getBytes(StandardCharsets.UTF_8), JsonLimits.SMALL);
    List<RigidPose> all = sample.get("transforms").list(MOST_TRANSFORMS, TrackSample::transform);
    if (all.isEmpty()) {
      throw sample.get("transforms").refusal("at least one transform");
    }
    RigidPose pose = RigidPose.IDENTITY;
    for (RigidPose each : all) {
      pose = pose.times(each);
    }
    return new TrackSample(
        pose,
        number(sample, "lens", "pinholeFocalLength"),
        number(sample, "lens", "focusDistance"),
        rate(sample),
        sequence(sample));
  }

  /** Place and turn: {@code Rz(pan) Rx(tilt) Ry(roll)} there is ours with the roll reversed. */
  private static RigidPose transform(JsonPlace p) throws FormatException {
    JsonPlace at = p.get("translation");
    JsonPlace turn = p.get("rotation");
    return RigidPose.of(
        metres(at, "x"),
        metres(at, "z"),
        -metres(at, "y"),
        radians(turn, "pan"),
        radians(turn, "tilt"),
        -radians(turn, "roll"));
  }

  private static double metres(JsonPlace p, String field) throws FormatException {
    double value = p.get(field).number();
    if (!(Math.abs(value) <= FARTHEST_M)) {
      throw p.get(field).refusal("-100000 to 100000 metres");
    }
    return value;
  }

  private static double radians(JsonPlace p, String field) throws FormatException {
    return Math.toRadians(p.get(field).number());
  }

  private static OptionalDouble number(JsonPlace sample, String group, String field)
      throws FormatException {
    return sample.has(group) && sample.get(group).has(field)
        ? OptionalDouble.of(sample.get(group).get(field).number())
        : OptionalDouble.empty();
  }

  private static OptionalDouble rate(JsonPlace sample) throws FormatException {
    if (!sample.has("timing") || !sample.get("timing").has("sampleRate")) {
      return OptionalDouble.empty();
    }
    JsonPlace rate = sample.get("timing").get("sampleRate");
    double over = rate.get("num").number();
    double under = rate.number("denom", 1);
    if (!(over > 0 && under > 0 && over / under <= 1000)) {
      throw rate.refusal("more than 0 and at most 1000 samples a second");
    }
    return OptionalDouble.of(over / under);
  }

  private static OptionalLong sequence(JsonPlace sample) throws FormatException {
    boolean said = sample.has("timing") && sample.get("timing").has("sequenceNumber");
    if (!said) {
      return OptionalLong.empty();
    }
    JsonPlace number = sample.get("timing").get("sequenceNumber");
    double value = number.number();
    if (value < 0 || value > GREATEST_NUMBER || value != Math.rint(value)) {
      throw number.refusal("a whole number from 0 to 4294967295");
    }
    return OptionalLong.of((long) value);
  }

  /** The sample as one line of JSON. */
  public String text() {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    ObjectNode transform = out.putArray("transforms").addObject();
    double[] turn = Turns.panTiltRoll(pose.turn());
    ObjectNode at = transform.putObject("translation");
    at.put("x", pose.x()).put("y", -pose.z()).put("z", pose.y());
    ObjectNode rotation = transform.putObject("rotation");
    rotation.put("pan", Math.toDegrees(turn[0])).put("tilt", Math.toDegrees(turn[1]));
    rotation.put("roll", -Math.toDegrees(turn[2]));
    if (focalMm.isPresent() || focusM.isPresent()) {
      ObjectNode lens = out.putObject("lens");
      focalMm.ifPresent(mm -> lens.put("pinholeFocalLength", mm));
      focusM.ifPresent(m -> lens.put("focusDistance", m));
    }
    ObjectNode timing = out.putObject("timing");
    rateHz.ifPresent(
        hz -> {
          boolean whole = hz == Math.rint(hz);
          ObjectNode rate = timing.putObject("sampleRate");
          rate.put("num", Math.round(whole ? hz : hz * THOUSAND))
              .put("denom", whole ? 1 : THOUSAND);
        });
    number.ifPresent(n -> timing.put("sequenceNumber", n));
    return JsonPlace.mapper().writeValueAsString(out);
  }
}
