package idlelens.core.scene;

import idlelens.core.part.Backplate;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.Lens;
import idlelens.core.part.Part;
import idlelens.core.part.Visible;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.core.set.Drift;
import idlelens.core.set.Finish;
import idlelens.core.set.Haze;
import idlelens.core.set.Lamp;
import idlelens.core.set.Pictures;
import idlelens.core.set.Repetition;
import idlelens.core.set.Shape;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Predicate;

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

  default Hidden hidden() {
    return body().hidden();
  }

  /** Pictures that come with it and may play: those on a card, or behind what a camera sees. */
  default Optional<Pictures> pictures() {
    return Optional.empty();
  }

  default Chain chain() {
    return body().chain();
  }

  /** What makes it appear and vanish, where that is on. */
  default Optional<Visible> visible() {
    return chain().find(Visible.ID).filter(Part::isOn).map(Visible.class::cast);
  }

  /** Whether others can be carried by it. */
  default boolean carries() {
    return false;
  }

  /** Whether a repeat shows copies of it: pieces, lights and mist, which can be seen. */
  default boolean isRepeated() {
    return this instanceof Piece || this instanceof Light || this instanceof Mist;
  }

  /** What carries it until the first hand-over. */
  default Carriage carriage() {
    return chain().carried().by();
  }

  /**
   * Below what it stands where every carrier carries for all frames, as in files of other programs:
   * its carrier, or "" for the world if it has none, rides one or is ever handed over.
   */
  default String parentId() {
    boolean free = !chain().carried().later().isEmpty();
    boolean rides = chain().ride(carriage().carrierId()).isPresent();
    return free || rides ? "" : carriage().carrierId();
  }

  default TakesKeys takesKeys() {
    return body().takesKeys();
  }

  default Node withChain(Chain chain) {
    return withBody(body().withChain(chain));
  }

  /** With a part of its chain on or off. */
  default Node withPartOn(String part, boolean on) {
    Part old = chain().part(part);
    return withChain(chain().with(old.withBody(old.body().withOn(on))));
  }

  /** Without some parts of its chain, and without what is said of their keys. */
  default Node withoutParts(Predicate<Part> gone) {
    TakesKeys rest = takesKeys();
    List<Part> kept = new ArrayList<>();
    for (Part part : chain().parts()) {
      if (gone.test(part)) {
        rest = rest.withoutPart(part.id());
      } else {
        kept.add(part);
      }
    }
    return kept.size() == chain().parts().size()
        ? this
        : withBody(body().withTakesKeys(rest).withChain(new Chain(kept)));
  }

  /** With the frames that it holds outside its chain moved by a map of time. */
  default Node stampsRetimed(DoubleUnaryOperator map) {
    return this;
  }

  /** Carried by that for all frames. */
  default Node withCarriage(Carriage carriage) {
    return withChain(chain().carriedBy(carriage));
  }

  /** Refuses parts that a node of this kind cannot have. */
  private static void checkParts(NodeBody body, String kind) {
    for (Part part : Require.present(body, "body").chain().parts()) {
      if (!part.kind().nodes().contains(kind)) {
        throw new RefusedException(
            "chain", "with " + part.id() + ", of a " + kind, "a part that a " + kind + " can have");
      }
    }
  }

  /** A camera; its chain ends in its lens. */
  record Camera(NodeBody body) implements Node {
    public Camera {
      checkParts(body, "camera");
      if (body.chain().lens().isEmpty()) {
        throw new RefusedException("chain", "without a lens", "a lens in the chain of a camera");
      }
    }

    /** A camera with that lens, and the curves of its chain. */
    public Camera(NodeBody body, Lens lens) {
      this(body.withChain(body.chain().with(lens.withBody(body.chain().part(Lens.ID).body()))));
    }

    public Lens lens() {
      return body.chain().lens().orElseThrow();
    }

    @Override
    public Optional<Pictures> pictures() {
      return body.chain()
          .find(Backplate.ID)
          .flatMap(part -> part instanceof Backplate plate ? plate.playing() : Optional.empty());
    }

    @Override
    public Camera withBody(NodeBody newBody) {
      return new Camera(newBody);
    }

    @Override
    public String kind() {
      return "camera";
    }
  }

  /** Nothing but a place and a turn; carries others. */
  record Null(NodeBody body) implements Node {
    public Null {
      checkParts(body, "null");
    }

    @Override
    public boolean carries() {
      return true;
    }

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
      checkParts(body, "piece");
      Require.present(shape, "shape");
      Require.present(finish, "finish");
    }

    @Override
    public boolean carries() {
      return true;
    }

    @Override
    public Piece withBody(NodeBody newBody) {
      return new Piece(newBody, shape, finish);
    }

    @Override
    public Optional<Pictures> pictures() {
      return finish.pictures();
    }

    @Override
    public Piece stampsRetimed(DoubleUnaryOperator map) {
      return finish
          .pictures()
          .map(p -> new Piece(body, shape, finish.withPictures(p.retimed(map))))
          .orElse(this);
    }

    @Override
    public String kind() {
      return "piece";
    }
  }

  /** A curve in space that others ride. */
  record Rail(NodeBody body, idlelens.core.rail.Rail rail) implements Node {
    public Rail {
      checkParts(body, "rail");
      Require.present(rail, "rail");
    }

    @Override
    public boolean carries() {
      return true;
    }

    public Rail withRail(idlelens.core.rail.Rail newRail) {
      return new Rail(body, newRail);
    }

    @Override
    public Rail withBody(NodeBody newBody) {
      return new Rail(newBody, rail);
    }

    @Override
    public String kind() {
      return "rail";
    }
  }

  /** A light that stands on set. */
  record Light(NodeBody body, Lamp lamp) implements Node {
    public Light {
      checkParts(body, "light");
      Require.present(lamp, "lamp");
    }

    @Override
    public Light withBody(NodeBody newBody) {
      return new Light(newBody, lamp);
    }

    @Override
    public String kind() {
      return "light";
    }
  }

  /** Mist that drifts through a box around it. */
  record Mist(NodeBody body, Drift drift) implements Node {
    public Mist {
      checkParts(body, "mist");
      Require.present(drift, "mist");
    }

    @Override
    public Mist withBody(NodeBody newBody) {
      return new Mist(newBody, drift);
    }

    @Override
    public String kind() {
      return "mist";
    }
  }

  /** Haze over the whole set, wherever it stands. */
  record Hazy(NodeBody body, Haze haze) implements Node {
    public Hazy {
      checkParts(body, "haze");
      Require.present(haze, "haze");
    }

    @Override
    public Hazy withBody(NodeBody newBody) {
      return new Hazy(newBody, haze);
    }

    @Override
    public String kind() {
      return "haze";
    }
  }

  /** Carries others and shows them again and again. */
  record Repeat(NodeBody body, Repetition repetition) implements Node {
    public Repeat {
      checkParts(body, "repeat");
      Require.present(repetition, "repeat");
    }

    @Override
    public boolean carries() {
      return true;
    }

    @Override
    public Repeat withBody(NodeBody newBody) {
      return new Repeat(newBody, repetition);
    }

    @Override
    public String kind() {
      return "repeat";
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
      checkParts(body, "sun");
      Require.within(strength, 0, 10, "strength");
      Require.colour(colour, "colour", "#ffd9a0");
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
