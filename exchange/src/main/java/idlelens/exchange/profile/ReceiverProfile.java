package idlelens.exchange.profile;

import idlelens.core.lens.FilmBack;
import idlelens.core.lens.Gate;
import idlelens.core.rule.Require;
import idlelens.core.time.FrameRate;
import idlelens.exchange.scenefile.Axes;
import idlelens.exchange.scenefile.Conventions;
import idlelens.exchange.scenefile.LensNumber;
import idlelens.exchange.scenefile.PictureSpace;
import idlelens.exchange.scenefile.Rest;
import idlelens.exchange.scenefile.TurnOrder;
import idlelens.exchange.scenefile.Wording;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * What a receiver wants.
 *
 * @param name 1 to 60 characters
 * @param conventions axes, unit, and how a camera stands that is not turned
 * @param order how turns are said where they are said as angles
 * @param rate frames a second, or none for the shot's
 * @param firstFrame number of the first frame, or none for the shot's
 * @param filmBack on which focal lengths count there, or none for the camera's own
 * @param fit which side of that film back the picture takes whole
 * @param lens what the number of a lens means
 * @param keys which frames get one
 * @param handles whether handles go along
 * @param names how nodes are called
 * @param picture for what is said in pixels
 */
public record ReceiverProfile(
    String name,
    Conventions conventions,
    TurnOrder order,
    Optional<FrameRate> rate,
    OptionalInt firstFrame,
    Optional<FilmBack> filmBack,
    Gate.Fit fit,
    LensNumber lens,
    Keeping keys,
    boolean handles,
    Naming names,
    PictureSpace picture) {
  private static final int MOST_NAME = 60;
  private static final int FARTHEST_FRAME = 1_000_000;

  /** Up to so many millimetres are a unit of the picture where it counts pixels. */
  private static final double METRES_A_PIXEL = 0.01;

  public static final ReceiverProfile Y_UP_METRES =
      plain("Y-up metres", new Conventions(Axes.Y_UP, 1, Rest.OWN_Z), TurnOrder.PAN_TILT_ROLL);
  public static final ReceiverProfile Y_UP_CENTIMETRES =
      plain("Y-up centimetres", new Conventions(Axes.Y_UP, 0.01, Rest.OWN_Z), TurnOrder.ZYX);
  public static final ReceiverProfile Z_UP_METRES =
      plain("Z-up metres", new Conventions(Axes.Z_UP, 1, Rest.OWN_Z), TurnOrder.ZYX);
  public static final ReceiverProfile Z_UP_CENTIMETRES =
      plain("Z-up centimetres", new Conventions(Axes.Z_UP, 0.01, Rest.OWN_Z), TurnOrder.ZYX);
  public static final ReceiverProfile LEFT_HANDED =
      plain(
          "Left-handed Y-up metres", new Conventions(Axes.Y_UP_LEFT, 1, Rest.LEVEL), TurnOrder.YXZ);
  public static final ReceiverProfile PICTURE =
      new ReceiverProfile(
          "Picture space, pixels",
          new Conventions(Axes.PICTURE, METRES_A_PIXEL, Rest.LEVEL),
          TurnOrder.XYZ,
          Optional.empty(),
          OptionalInt.empty(),
          Optional.empty(),
          Gate.Fit.WIDTH,
          LensNumber.ZOOM,
          Keeping.BAKE,
          false,
          Naming.AS_HERE,
          PictureSpace.USUAL);

  /** Those that every production has. */
  public static final List<ReceiverProfile> BUILT_IN =
      List.of(Y_UP_METRES, Y_UP_CENTIMETRES, Z_UP_METRES, Z_UP_CENTIMETRES, LEFT_HANDED, PICTURE);

  public ReceiverProfile {
    name = Require.name(name, MOST_NAME, "name");
    Require.present(conventions, "conventions");
    Require.present(order, "order");
    Require.present(rate, "rate");
    Require.present(filmBack, "filmBack");
    Require.present(fit, "fit");
    Require.present(lens, "lens");
    Require.present(keys, "keys");
    Require.present(names, "names");
    Require.present(picture, "picture");
    if (Require.present(firstFrame, "firstFrame").isPresent()) {
      Require.within(firstFrame.getAsInt(), -FARTHEST_FRAME, FARTHEST_FRAME, "firstFrame");
    }
  }

  private static ReceiverProfile plain(String name, Conventions conventions, TurnOrder order) {
    return new ReceiverProfile(
        name,
        conventions,
        order,
        Optional.empty(),
        OptionalInt.empty(),
        Optional.empty(),
        Gate.Fit.WIDTH,
        LensNumber.FOCAL_LENGTH,
        Keeping.BAKE,
        false,
        Naming.AS_HERE,
        PictureSpace.USUAL);
  }

  /** How its numbers are to be taken. */
  public Wording wording() {
    return new Wording(order, lens, picture);
  }

  /** Whether its numbers are among those worked by hand: then only the rest may be changed. */
  public boolean isProven() {
    return filmBack.isEmpty()
        && BUILT_IN.stream()
            .anyMatch(
                b ->
                    b.conventions.equals(conventions)
                        && b.order == order
                        && b.lens == lens
                        && b.picture.origin() == picture.origin());
  }

  public ReceiverProfile withConventions(Conventions other) {
    return new ReceiverProfile(
        name, other, order, rate, firstFrame, filmBack, fit, lens, keys, handles, names, picture);
  }

  public ReceiverProfile withTime(Optional<FrameRate> newRate, OptionalInt newFirst) {
    return new ReceiverProfile(
        name,
        conventions,
        order,
        newRate,
        newFirst,
        filmBack,
        fit,
        lens,
        keys,
        handles,
        names,
        picture);
  }

  public ReceiverProfile withKeys(Keeping newKeys) {
    return new ReceiverProfile(
        name,
        conventions,
        order,
        rate,
        firstFrame,
        filmBack,
        fit,
        lens,
        newKeys,
        handles,
        names,
        picture);
  }
}
