package idlelens.exchange.profile;

import idlelens.core.lens.FilmBack;
import idlelens.core.lens.Gate;
import idlelens.core.rule.RefusedException;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.Conventions;
import idlelens.exchange.scenefile.LensNumber;
import idlelens.exchange.scenefile.PictureSpace;
import idlelens.exchange.scenefile.Rest;
import idlelens.exchange.scenefile.TurnOrder;
import java.util.Optional;
import java.util.OptionalInt;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Profiles as JSON. */
public final class ProfileJson {
  private static final String[] FIELDS = {
    "name",
    "axes",
    "metresPerUnit",
    "rest",
    "order",
    "rate",
    "firstFrame",
    "filmBackMm",
    "fit",
    "lens",
    "few",
    "placeMm",
    "turnDeg",
    "handles",
    "prefix",
    "letters",
    "widthPx",
    "pixelAspect",
    "origin",
    "proven"
  };

  private ProfileJson() {}

  public static ObjectNode write(ReceiverProfile profile) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("name", profile.name());
    out.put("axes", JsonPlace.word(profile.conventions().axes()));
    out.put("metresPerUnit", profile.conventions().metresPerUnit());
    out.put("rest", JsonPlace.word(profile.conventions().rest()));
    out.put("order", JsonPlace.word(profile.order()));
    profile.rate().ifPresent(rate -> out.put("rate", rate.toString()));
    profile.firstFrame().ifPresent(first -> out.put("firstFrame", first));
    profile
        .filmBack()
        .ifPresent(b -> out.putArray("filmBackMm").add(b.widthMm()).add(b.heightMm()));
    out.put("fit", JsonPlace.word(profile.fit()));
    out.put("lens", JsonPlace.word(profile.lens()));
    out.put("few", profile.keys().few());
    out.put("placeMm", profile.keys().placeMm()).put("turnDeg", profile.keys().turnDeg());
    out.put("handles", profile.handles());
    out.put("prefix", profile.names().prefix());
    out.put("letters", JsonPlace.word(profile.names().letters()));
    PictureSpace picture = profile.picture();
    out.put("widthPx", picture.widthPx()).put("pixelAspect", picture.pixelAspect());
    out.put("origin", JsonPlace.word(picture.origin()));
    return out.put("proven", profile.isProven());
  }

  /** Reads one; what is not given is as in {@link ReceiverProfile#Y_UP_METRES}. */
  public static ReceiverProfile read(JsonPlace place) throws FormatException {
    JsonPlace p = place.only(FIELDS);
    try {
      return new ReceiverProfile(
          p.get("name").text(),
          conventions(p),
          p.choice("order", TurnOrder.class, TurnOrder.PAN_TILT_ROLL),
          p.has("rate") ? Optional.of(FrameRate.parse(p.get("rate").text())) : Optional.empty(),
          p.has("firstFrame") ? OptionalInt.of(p.get("firstFrame").whole()) : OptionalInt.empty(),
          back(p),
          p.choice("fit", Gate.Fit.class, Gate.Fit.WIDTH),
          p.choice("lens", LensNumber.class, LensNumber.FOCAL_LENGTH),
          keys(p),
          p.flag("handles", false),
          new Naming(
              p.text("prefix", ""), p.choice("letters", Naming.Letters.class, Naming.Letters.ANY)),
          picture(p));
    } catch (RefusedException e) {
      throw new FormatException(p.path() + "." + e.where(), e.found(), e.allowed());
    }
  }

  private static Conventions conventions(JsonPlace p) throws FormatException {
    Axes axes = p.choice("axes", Axes.class, Axes.Y_UP);
    Rest usual = axes.isRightHanded() && axes != Axes.PICTURE ? Rest.OWN_Z : Rest.LEVEL;
    return new Conventions(axes, p.number("metresPerUnit", 1), p.choice("rest", Rest.class, usual));
  }

  private static Optional<FilmBack> back(JsonPlace p) throws FormatException {
    if (!p.has("filmBackMm")) {
      return Optional.empty();
    }
    JsonPlace size = p.get("filmBackMm");
    return Optional.of(new FilmBack(size.at(0).number(), size.at(1).number()));
  }

  private static Keeping keys(JsonPlace p) throws FormatException {
    return new Keeping(
        p.flag("few", false),
        p.number("placeMm", Keeping.BAKE.placeMm()),
        p.number("turnDeg", Keeping.BAKE.turnDeg()));
  }

  private static PictureSpace picture(JsonPlace p) throws FormatException {
    PictureSpace usual = PictureSpace.USUAL;
    return new PictureSpace(
        p.has("widthPx") ? p.get("widthPx").whole() : usual.widthPx(),
        p.number("pixelAspect", usual.pixelAspect()),
        p.choice("origin", PictureSpace.Origin.class, usual.origin()));
  }
}
