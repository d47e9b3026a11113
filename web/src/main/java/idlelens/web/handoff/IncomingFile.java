package idlelens.web.handoff;

import idlelens.core.curve.Tangent;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.incoming.ReadSettings;
import idlelens.exchange.incoming.SceneImport;
import idlelens.exchange.incoming.SceneReading;
import idlelens.exchange.scenefile.Conventions;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.ShotHint;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** A file that was read, with what is said of it: as a shot of its own, or for another. */
record IncomingFile(SceneFile scene, Correction correction) {
  private static final FrameRate USUAL_RATE = FrameRate.of(24);
  private static final int USUAL_FIRST_FRAME = 1001;
  private static final int USUAL_HANDLES = 8;
  private static final double USUAL_ASPECT = 16.0 / 9;

  /** What came of it, and the shot that it makes. */
  record Made(Shot shot, SceneImport found) {}

  private Optional<ShotHint> hint() {
    return scene.hint();
  }

  /** Axes and unit as they are taken. */
  Conventions conventions() {
    return correction.of(scene.conventions()).orElse(scene.conventions());
  }

  private FrameRate rate() {
    return correction.rate() != null
        ? correction.rate()
        : hint().map(ShotHint::rate).or(() -> scene.clock().rate()).orElse(USUAL_RATE);
  }

  private int lead() {
    return hint().map(ShotHint::lead).orElse(0);
  }

  private int trail() {
    return hint().map(ShotHint::trail).orElse(0);
  }

  private SceneImport read(FrameRate rate, int first, OptionalDouble aspect, String prefix)
      throws FormatException {
    return SceneReading.read(
        scene,
        new ReadSettings(
            rate, first, aspect, prefix, correction.of(scene.conventions()), correction.times()));
  }

  /** A shot of its own. */
  Made asShot(String title) throws FormatException {
    int first =
        correction.firstFrame() != null
            ? correction.firstFrame()
            : hint()
                .map(h -> h.range().in())
                .or(() -> scene.clock().firstFrame())
                .orElse(USUAL_FIRST_FRAME);
    OptionalDouble aspect =
        hint().isPresent() ? OptionalDouble.of(hint().get().aspect()) : OptionalDouble.empty();
    SceneImport found = read(rate(), first - lead(), aspect, "in");
    int length =
        Math.max(
            found.range().out() - trail() - first + 1,
            hint().map(h -> h.range().length()).orElse(1));
    double picture = aspect.orElse(found.aspect().orElse(USUAL_ASPECT));
    ShotHeader header =
        new ShotHeader(
            title,
            rate(),
            new FrameRange(first, first + length - 1),
            hint().map(h -> h.handles().orElse(USUAL_HANDLES)).orElse(USUAL_HANDLES),
            Math.max(0.2, Math.min(10, picture)),
            1,
            Tangent.Kind.SETTLE);
    return new Made(new Shot(header, found.nodes()), found);
  }

  /** What is added to a shot that there is, at its rate; with notes on what does not fit. */
  SceneImport into(ShotHeader header, String prefix) throws FormatException {
    SceneImport found =
        read(header.rate(), first(header) - lead(), OptionalDouble.of(header.aspect()), prefix);
    List<String> notes = new ArrayList<>(found.notes());
    Optional<FrameRate> own = hint().map(ShotHint::rate).or(() -> scene.clock().rate());
    if (own.isPresent() && !own.get().equals(header.rate())) {
      notes.add(
          "the file was made at "
              + own.get().label()
              + ", this shot runs at "
              + header.rate().label()
              + ": times were kept");
    }
    if (found.range().out() - trail() > header.range().out()) {
      notes.add(
          "the motion runs to frame "
              + found.range().out()
              + ", past the shot's last frame "
              + header.range().out());
    }
    return new SceneImport(
        found.nodes(), found.range(), found.aspect(), found.assets(), List.copyOf(notes));
  }

  /** The frame that a file counts itself, if the shot has it; else where the shot begins. */
  private int first(ShotHeader header) {
    if (correction.firstFrame() != null) {
      return correction.firstFrame();
    }
    return scene
        .clock()
        .firstFrame()
        .filter(f -> hint().isEmpty() && header.range().contains(f))
        .orElse(header.range().in());
  }
}
