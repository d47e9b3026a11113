package idlelens.core.scene;

import idlelens.core.lens.LensBody;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.set.Finish;
import idlelens.core.set.Shape;

/** Anything on set. */
public sealed interface Node {
  NodeBody body();

  Node withBody(NodeBody body);

  /** The word for this kind of node, in files and on screen. */
  String kind();

  default String id() {
    return body().id();
  }

  default String name() {
    return body().name();
  }

  default boolean hidden() {
    return body().hidden();
  }

  default Carriage carriage() {
    return body().carriage();
  }

  default Channels channels() {
    return body().channels();
  }

  default KeyFilter filter() {
    return body().filter();
  }

  /** Whether a part of its chain takes effect. */
  default boolean isOn(ChainPart part) {
    return !body().off().contains(part);
  }

  default Node withChannels(Channels channels) {
    return withBody(body().withChannels(channels));
  }

  default Node withCarriage(Carriage carriage) {
    return withBody(body().withCarriage(carriage));
  }

  /** A camera with its lens. */
  record Camera(NodeBody body, LensBody lens) implements Node {
    public Camera {
      Require.present(lens, "lens");
      Channel.LENS.forEach(body.channels()::get);
    }

    @Override
    public Camera withBody(NodeBody newBody) {
      return new Camera(newBody, lens);
    }

    public Camera withLens(LensBody newLens) {
      return new Camera(body, newLens);
    }

    @Override
    public String kind() {
      return "camera";
    }
  }

  /** Nothing but a place and a turn; carries others. */
  record Null(NodeBody body) implements Node {
    @Override
    public Null withBody(NodeBody newBody) {
      return new Null(newBody);
    }

    @Override
    public String kind() {
      return "null";
    }
  }

  /** A part of the set. */
  record Piece(NodeBody body, Shape shape, Finish finish) implements Node {
    public Piece {
      Require.present(shape, "shape");
      Require.present(finish, "finish");
    }

    @Override
    public Piece withBody(NodeBody newBody) {
      return new Piece(newBody, shape, finish);
    }

    @Override
    public String kind() {
      return "piece";
    }
  }

  /**
   * A far light, shining along its own -Z over the whole set.
   *
   * @param colour sRGB as {@code #rrggbb}
   * @param strength 0 to 10, 1 for a clear day
   */
  record Sun(NodeBody body, String colour, double strength) implements Node {
    public Sun {
      Require.present(body, "body");
      Require.within(strength, 0, 10, "strength");
      if (colour == null || !colour.matches("#[0-9a-fA-F]{6}")) {
        throw new RefusedException("colour", "'" + colour + "'", "#rrggbb, such as #ffd9a0");
      }
    }

    @Override
    public Sun withBody(NodeBody newBody) {
      return new Sun(newBody, colour, strength);
    }

    @Override
    public String kind() {
      return "sun";
    }
  }
}
