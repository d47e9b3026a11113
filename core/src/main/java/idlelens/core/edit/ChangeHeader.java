package idlelens.core.edit;

import idlelens.core.curve.Tangent;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Changes some of name, rate, range, handles, picture aspect, scale, and tangent of new keys. */
public record ChangeHeader(
    Optional<String> name,
    Optional<FrameRate> rate,
    Optional<FrameRange> range,
    Optional<Integer> handles,
    Optional<Double> aspect,
    Optional<Double> metresPerUnit,
    Optional<Tangent.Kind> newKeys)
    implements Edit {
  public ChangeHeader {
    for (Optional<?> each : List.of(name, rate, range, handles, aspect, metresPerUnit, newKeys)) {
      Require.present(each, "header");
    }
    if (named(name, rate, range, handles, aspect, metresPerUnit, newKeys).isEmpty()) {
      throw new RefusedException("header", "empty", "at least one field that changes");
    }
  }

  /** A change of all of the header. */
  public static ChangeHeader to(ShotHeader header) {
    return new ChangeHeader(
        Optional.of(header.name()),
        Optional.of(header.rate()),
        Optional.of(header.range()),
        Optional.of(header.handles()),
        Optional.of(header.aspect()),
        Optional.of(header.metresPerUnit()),
        Optional.of(header.newKeys()));
  }

  /** A change of the name alone. */
  public static ChangeHeader named(String name) {
    return new ChangeHeader(
        Optional.of(name),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty());
  }

  @Override
  public Shot apply(Shot shot) {
    ShotHeader old = shot.header();
    return shot.withHeader(
        new ShotHeader(
            name.orElse(old.name()),
            rate.orElse(old.rate()),
            range.orElse(old.range()),
            handles.orElse(old.handles()),
            aspect.orElse(old.aspect()),
            metresPerUnit.orElse(old.metresPerUnit()),
            newKeys.orElse(old.newKeys())));
  }

  private static List<String> named(Optional<?>... fields) {
    String[] names = {"name", "rate", "range", "handles", "aspect", "metresPerUnit", "newKeys"};
    List<String> present = new ArrayList<>();
    for (int i = 0; i < names.length; i++) {
      if (fields[i].isPresent()) {
        present.add(names[i]);
      }
    }
    return present;
  }

  @Override
  public Footprint footprint(Shot shot) {
    Footprint.Builder places = Footprint.of(shot);
    named(name, rate, range, handles, aspect, metresPerUnit, newKeys)
        .forEach(field -> places.changes(Place.header(field)));
    return places.done();
  }

  @Override
  public String summary() {
    return "Change the shot's settings";
  }
}
