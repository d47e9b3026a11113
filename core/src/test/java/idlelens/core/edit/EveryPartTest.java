package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.motion.Evaluation;
import idlelens.core.part.Aim;
import idlelens.core.part.Chain;
import idlelens.core.part.FrameUp;
import idlelens.core.part.Keys;
import idlelens.core.part.Lens;
import idlelens.core.part.Move;
import idlelens.core.part.Part;
import idlelens.core.part.PartKind;
import idlelens.core.part.Parts;
import idlelens.core.part.Path;
import idlelens.core.part.Recorded;
import idlelens.core.part.Ride;
import idlelens.core.part.RunIn;
import idlelens.core.part.Shake;
import idlelens.core.part.ShakeWay;
import idlelens.core.part.Slot;
import idlelens.core.part.Smooth;
import idlelens.core.part.SmoothWay;
import idlelens.core.part.Target;
import idlelens.core.part.Window;
import idlelens.core.retime.Landing;
import idlelens.core.retime.TimeMap;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import idlelens.core.scene.TakesKeys;
import idlelens.core.time.FrameRate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

/** What holds for every kind of part: added, switched, ordered, keyed, retimed, copied, removed. */
class EveryPartTest {
  private static final Shot RIG = Sets.rig();

  /** A part of each kind that may be added; a kind that is missing here fails. */
  private static Part made(PartKind kind, String id) {
    return switch (kind.word()) {
      case "aim" -> Aim.at(id, Target.OfNode.origin("crate"));
      case "move" -> Move.of(id, Move.Way.ORBIT, 30, 5, 25);
      case "frame-up" -> FrameUp.on(id, Target.OfNode.origin("crate"));
      case "ride" -> Ride.on(id, "other-rail");
      case "recorded" -> Recorded.of(id, "Rec", Sets.recording(), 1);
      case "run-in" -> RunIn.USUAL;
      case "smooth" -> Smooth.of(id, new SmoothWay.Damped(4));
      case "shake" -> Shake.of(id, ShakeWay.Handheld.USUAL, 3, 1);
      default -> throw new AssertionError("no part of kind " + kind.word() + " to try");
    };
  }

  /** A node that may have it. */
  private static String nodeFor(PartKind kind) {
    return kind.nodes().contains("null") ? "pointer" : "framer";
  }

  private static Stream<PartKind> added() {
    return Parts.KINDS.stream().filter(k -> !k.isAlways() && k.slot() != Slot.NODE);
  }

  @Test
  void kinds_areThoseOfTheSealedParts_eachWithItsOwnWordAndParameters() {
    Set<Class<?>> tried = new HashSet<>(Set.of(Keys.class, Lens.class));
    RIG.nodes().forEach(n -> n.chain().parts().forEach(p -> tried.add(p.getClass())));
    assertThat(tried).containsExactlyInAnyOrder(Part.class.getPermittedSubclasses());
    assertThat(Parts.KINDS.stream().map(PartKind::word)).doesNotHaveDuplicates();
    for (PartKind kind : Parts.KINDS) {
      assertThat(kind.parameters().stream().map(p -> p.id()))
          .doesNotHaveDuplicates()
          .doesNotContain("part", "id", "on", "window");
    }
  }

  @Property(tries = 60)
  void anyPart_throughAllItCanGoThrough_andBackAgain(@ForAll @LongRange(min = 0) long seed) {
    Random random = new Random(seed);
    for (PartKind kind : added().toList()) {
      String id = kind.many() ? kind.word() + "-new" : kind.word();
      String node = nodeFor(kind);
      Part part = made(kind, id);
      Window window = new Window(OptionalDouble.of(9), OptionalDouble.of(30), 3, 2);
      List<Edit> edits =
          new ArrayList<>(
              List.of(
                  new AddPart(node, part),
                  new SwitchPart(node, id, false),
                  new SwitchPart(node, id, true),
                  new Retime(List.of(node), new TimeMap.Shift(5), Landing.REFUSE, false, false),
                  new Duplicate(node, "copy", "Copy"),
                  new RemovePart(node, id)));
      if (!kind.parameters().isEmpty()) {
        Path path = new Path(id, kind.parameters().get(0).id());
        edits.add(3, new SetValues(node, 12, Map.of(path, 0.25), Keying.TOUCHED));
        edits.add(4, new SetValues(node, 24, Map.of(path, 0.75), Keying.TOUCHED));
      }
      if (kind.window()) {
        edits.add(5, new SetStamp(node, id, window));
        if (kind.slot() == Slot.WORLD) {
          edits.add(6, new OrderParts(node, shuffled(random, node, id)));
        }
      }
      goThroughAndBack(node, edits);
    }
  }

  private static void goThroughAndBack(String node, List<Edit> edits) {
    Shot shot = RIG;
    List<Edit> inverses = new ArrayList<>();
    Evaluation before = Evaluation.of(shot);
    for (Edit edit : edits) {
      Edit.Applied applied = Edit.applyAll(shot, List.of(edit));
      inverses.add(0, applied.inverse());
      shot = applied.shot();
      Evaluation lent = Evaluation.of(shot, before.grid(), before);
      Evaluation fresh = Evaluation.ofSome(shot, lent.grid(), shot.reachedFrom(node));
      assertThat(lent.of(node).world().qx()).isEqualTo(fresh.of(node).world().qx());
      before = lent;
    }
    for (Edit inverse : inverses) {
      shot = inverse.apply(shot);
    }
    assertThat(shot).isEqualTo(RIG);
  }

  private static List<String> shuffled(Random random, String node, String id) {
    List<String> world = new ArrayList<>(List.of(id));
    List<String> rest = new ArrayList<>();
    for (Part part : RIG.node(node).chain().parts()) {
      (part.kind().slot() == Slot.WORLD ? world : rest).add(part.id());
    }
    java.util.Collections.shuffle(world, random);
    rest.addAll(rest.contains("lens") ? rest.size() - 1 : rest.size(), world);
    return rest;
  }

  /** Another rate is the same motion: all that a part holds, or that lasts, comes along. */
  @Test
  void anotherRate_isTheSameMotionInSeconds_forEveryNode() {
    Shot at24 = RIG;
    Shot at48 = new ConvertRate(FrameRate.of(48), ConvertRate.Keep.TIME, false).apply(at24);
    int in = at48.header().range().in();
    for (String id : List.of("walker", "rider", "mover", "pointer", "cam", "framer", "shaker")) {
      for (int frame = 1; frame <= 50; frame += 3) {
        var was = Evaluation.at(at24, frame).pose(id, 0).place();
        var is = Evaluation.at(at48, in + (frame - 1) * 2).pose(id, 0).place();
        assertThat(is.distance(was)).as("%s at %s", id, frame).isLessThan(1e-6);
      }
    }
  }

  @Test
  void keysAndWindow_moveInTimeWithTheNode() {
    added()
        .filter(PartKind::many)
        .forEach(
            kind -> {
              String id = kind.word() + "-new";
              Path path = new Path(id, kind.parameters().get(0).id());
              String node = nodeFor(kind);
              Shot shot = new AddPart(node, made(kind, id)).apply(RIG);
              shot = new SetValues(node, 12, Map.of(path, 0.25), Keying.TOUCHED).apply(shot);
              Window window = new Window(OptionalDouble.of(9), OptionalDouble.of(40), 3, 0);
              shot = kind.window() ? new SetStamp(node, id, window).apply(shot) : shot;
              Shot later =
                  new Retime(List.of(), new TimeMap.Ripple(10, 6), Landing.REFUSE, false, false)
                      .apply(shot);
              Chain chain = later.node(node).chain();
              assertThat(chain.keyFrames(List.of(path))).containsExactly(1.0, 18.0);
              if (kind.window()) {
                assertThat(chain.part(id).body().window().from()).hasValue(9);
              }
            });
  }

  @Test
  void copyOfAFamily_aimsAtTheCopies() {
    Shot shot = new AddPart("base", Aim.at("aim-x", Target.OfNode.origin("crate"))).apply(RIG);
    shot = new Carry("crate", "other", 1, Keep.PLACE).apply(shot);
    Shot copied = new Duplicate("other", "copy", "Copy").apply(shot);
    Set<String> ids =
        copied.nodes().stream()
            .map(n -> n.id())
            .filter(id -> id.startsWith("copy"))
            .collect(Collectors.toSet());
    assertThat(ids)
        .containsExactlyInAnyOrder(
            "copy", "copy-1", "copy-2", "copy-3", "copy-4", "copy-5", "copy-6", "copy-7");
    copied.nodes().stream()
        .filter(n -> ids.contains(n.id()))
        .flatMap(n -> n.chain().parts().stream())
        .flatMap(p -> p.targets().stream())
        .flatMap(t -> t.nodeId().stream())
        .forEach(target -> assertThat(ids).contains(target));
  }

  @Test
  void targetThatIsRemoved_becomesThePlaceWhereItWas() {
    Shot without = new RemoveNodes(List.of("crate"), 12, false, Keep.PLACE).apply(RIG);
    Aim aim = (Aim) without.node("pointer").chain().part("aim-a");
    assertThat(aim.target()).isEqualTo(new Target.Place(1, 0.5, -9));
  }

  @Test
  void partWithALockedCurve_isNeitherSetNorRemoved_norKeyed_norGoesItsNode() {
    Path weight = new Path("aim-a", "weight");
    Shot locked = new SetTakesKeys("pointer", new TakesKeys(Set.of(), Set.of(weight))).apply(RIG);
    List<Edit> refused =
        List.of(
            new RemovePart("pointer", "aim-a"),
            new SetPart("pointer", Aim.at("aim-a", new Target.Place(0, 0, 0))),
            new SetStamp("pointer", "aim-a", Window.OPEN),
            new SetValues("pointer", 5, Map.of(weight, 0.5), Keying.TOUCHED),
            new RemoveNodes(List.of("pointer"), 1, false, Keep.PLACE));
    for (Edit edit : refused) {
      assertThatThrownBy(() -> Edit.applyAll(locked, List.of(edit)))
          .as(edit.summary())
          .isInstanceOf(RefusedException.class)
          .hasMessage("pointer.aim-a.weight is locked; allowed: a change once it is unlocked");
    }
  }

  @Test
  void partsThatDoNotFit_areRefusedInWords() {
    assertThatThrownBy(() -> new RemovePart("cam", "keys").apply(RIG))
        .hasMessageContaining("which every chain has");
    assertThatThrownBy(() -> new AddPart("cam", Lens.PLAIN).apply(RIG))
        .hasMessage("part is 'lens'; allowed: a part of several");
    assertThatThrownBy(
            () -> new AddPart("sun", Aim.at("aim-1", new Target.Place(0, 0, 0))).apply(RIG))
        .hasMessage("chain is with aim-1, of a sun; allowed: a part that a sun can have");
    assertThatThrownBy(
            () -> new AddPart("pointer", Aim.at("aim-a", new Target.Place(0, 0, 0))).apply(RIG))
        .hasMessage("chain is with 'aim-a' twice; allowed: each part once");
    assertThatThrownBy(() -> new OrderParts("cam", List.of("keys", "lens", "carried")).apply(RIG))
        .hasMessageContaining("carried behind a part of the LENS");
    assertThatThrownBy(() -> Aim.at("Aim 1", new Target.Place(0, 0, 0)))
        .hasMessageContaining("part.id is 'Aim 1'");
    assertThatThrownBy(
            () -> new AddPart("cam", Aim.at("aim", new Target.Place(0, 0, 0))).apply(RIG))
        .hasMessage("part.id is 'aim'; allowed: no name of a kind of part");
  }
}
