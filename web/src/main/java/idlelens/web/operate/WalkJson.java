package idlelens.web.operate;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.lens.Gate;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.walk.Body;
import idlelens.core.walk.Stance;
import idlelens.core.walk.Steering;
import idlelens.core.walk.Walk;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Walks as JSON. */
final class WalkJson {
  private WalkJson() {}

  static Body body(JsonPlace p) throws FormatException {
    JsonPlace body = p.only("eye", "speed", "step", "jump");
    Body usual = Body.USUAL;
    return new Body(
        body.number("eye", usual.eyeM()),
        body.number("speed", usual.speedMps()),
        body.number("step", usual.stepM()),
        body.number("jump", usual.jumpM()));
  }

  static Steering steering(JsonPlace p) throws FormatException {
    JsonPlace hands = p.only("ahead", "right", "hurries", "jumps", "turn", "tilt", "zoom");
    return new Steering(
        hands.number("ahead", 0),
        hands.number("right", 0),
        hands.flag("hurries", false),
        hands.flag("jumps", false),
        hands.number("turn", 0),
        hands.number("tilt", 0),
        hands.number("zoom", 1));
  }

  static Stance stance(JsonPlace p) throws FormatException {
    return new Stance(
        p.get("step").whole(),
        p.get("x").number(),
        p.get("y").number(),
        p.get("z").number(),
        p.get("lift").number(),
        p.get("heading").number(),
        p.get("tilt").number(),
        p.get("roll").number(),
        p.get("speedX").number(),
        p.get("speedY").number(),
        p.get("speedZ").number(),
        p.get("focal").number(),
        p.get("on").whole());
  }

  private static ObjectNode stance(Stance s) {
    ObjectNode out = JsonNodeFactory.instance.objectNode().put("step", s.step());
    out.put("x", s.x()).put("y", s.y()).put("z", s.z()).put("lift", s.liftM());
    out.put("heading", s.headingDeg()).put("tilt", s.tiltDeg()).put("roll", s.rollDeg());
    out.put("speedX", s.speedX()).put("speedY", s.speedY()).put("speedZ", s.speedZ());
    return out.put("focal", s.focalMm()).put("on", s.on());
  }

  /** How somebody stands, and what is seen from there. */
  static ObjectNode write(Shot shot, Node.Camera camera, Body body, Walk.Walked walked) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.set("stance", stance(walked.stance()));
    out.put("eye", body.eyeM());
    RigidPose pose = walked.stance().camera(body);
    out.set("live", live(shot, camera, pose, walked.stance().focalMm()));
    ArrayNode frames = out.putArray("frames");
    for (Walk.Moment moment : walked.frames()) {
      ArrayNode row = frames.addArray().add(moment.frame());
      numbers(moment.camera(), row).add(moment.focalMm());
    }
    return out;
  }

  /** What a camera sees from a pose: place, turn as a quaternion and in degrees, and its lens. */
  static ObjectNode live(Shot shot, Node.Camera camera, RigidPose pose, double focalMm) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("x", pose.x()).put("y", pose.y()).put("z", pose.z());
    out.put("qx", pose.qx()).put("qy", pose.qy()).put("qz", pose.qz()).put("qw", pose.qw());
    ArrayNode row = numbers(pose, JsonNodeFactory.instance.arrayNode());
    out.set("pan", row.get(3));
    out.set("tilt", row.get(4));
    out.set("roll", row.get(5));
    ShotHeader header = shot.header();
    Gate gate = camera.lens().gate(header.aspect(), header.range().in());
    out.put("focalMm", focalMm);
    out.put("horizontalDeg", Math.toDegrees(gate.horizontalRad(focalMm)));
    return out.put("verticalDeg", Math.toDegrees(gate.verticalRad(focalMm)));
  }

  private static ArrayNode numbers(RigidPose pose, ArrayNode row) {
    double[] turn = Turns.panTiltRoll(pose.turn());
    row.add(pose.x()).add(pose.y()).add(pose.z());
    for (double angle : turn) {
      row.add(Math.toDegrees(angle));
    }
    return row;
  }
}
