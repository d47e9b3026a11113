package idlelens.web.handoff;

import idlelens.core.cut.Cut;
import idlelens.core.cut.Program;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.outgoing.JoinedCamera;
import idlelens.exchange.profile.ReceiverProfile;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What somebody asks to be written.
 *
 * @param cameras ids, or null for all
 * @param profile the name of a receiver profile
 * @param frames range, handles, needed by the program, or two frames; null for what the profile
 *     says
 * @param from first frame, or null
 * @param to last frame, or null
 * @param company set, nulls or carriers
 * @param program frames with the ids of the cameras seen from there on, and over how many frames
 *     they fade in, as {@code 1001:a-cam,1048:b-cam:10}; or null
 * @param joined whether one camera goes out that is where the program is
 */
record Wish(
    List<String> cameras,
    String profile,
    String frames,
    Integer from,
    Integer to,
    String company,
    String program,
    boolean joined) {
  private static final Pattern CUT =
      Pattern.compile("\\s*(-?\\d{1,7}):([A-Za-z0-9_-]{1,60})(?::(\\d{1,5}))?\\s*");

  /** What is asked for, of a shot as it is now. */
  HandOff of(Shot shot, ReceiverProfile receiver) {
    Optional<Program> cuts = program(shot);
    FrameRange range = frames(shot, receiver, cuts.orElse(shot.program()));
    if (joined) {
      Program all =
          cuts.orElseThrow(
              () -> new RefusedException("program", "missing", "cuts, for one joined camera"));
      Shot with = JoinedCamera.in(shot, all, range);
      return new HandOff(with, range, List.of(JoinedCamera.ID), along(), receiver);
    }
    return new HandOff(shot, range, ids(shot, cuts), along(), receiver);
  }

  private List<String> ids(Shot shot, Optional<Program> cuts) {
    if (cameras != null && !cameras.isEmpty()) {
      return cameras;
    }
    return cuts.map(Program::cameras)
        .orElseGet(() -> shot.cameras().stream().map(Node::id).toList());
  }

  /** Which camera is seen when, if that is said. */
  Optional<Program> program(Shot shot) {
    if (program == null || program.isBlank()) {
      return Optional.empty();
    }
    List<Cut> cuts = new ArrayList<>();
    for (String each : program.split(",")) {
      Matcher found = CUT.matcher(each);
      if (!found.matches()) {
        throw new RefusedException(
            "program", "'" + each.strip() + "'", "a frame and a camera, such as 1001:a-cam");
      }
      String camera = shot.camera(found.group(2)).id();
      int dissolve = found.group(3) == null ? 0 : Integer.parseInt(found.group(3));
      cuts.add(new Cut(Integer.parseInt(found.group(1)), camera, dissolve));
    }
    return Optional.of(new Program(cuts));
  }

  private FrameRange frames(Shot shot, ReceiverProfile receiver, Program cuts) {
    FrameRange usual =
        frames == null
            ? HandOff.framesOf(shot, receiver)
            : SentFrames.of(frames, shot.header(), () -> needed(shot, cuts));
    return new FrameRange(from == null ? usual.in() : from, to == null ? usual.out() : to);
  }

  /** From the first to the last frame for which the program needs one of the cameras. */
  private FrameRange needed(Shot shot, Program cuts) {
    FrameRange range = shot.header().range();
    List<FrameRange> all =
        (joined ? cuts.cameras() : ids(shot, Optional.empty()))
            .stream()
                .flatMap(id -> cuts.needed(id, range, shot.header().handles()).stream())
                .toList();
    if (all.isEmpty()) {
      throw new RefusedException(
          "frames", "needed, of cameras that the program does not show", "cameras that it shows");
    }
    return new FrameRange(
        all.stream().mapToInt(FrameRange::in).min().orElseThrow(),
        all.stream().mapToInt(FrameRange::out).max().orElseThrow());
  }

  private HandOff.Company along() {
    for (HandOff.Company each : HandOff.Company.values()) {
      if (each.name().toLowerCase(Locale.ROOT).equals(company)) {
        return each;
      }
    }
    throw new RefusedException("company", "'" + company + "'", "set, nulls or carriers");
  }
}
