package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.lens.Framing;
import idlelens.core.part.FrameUp;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Shape;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** Any edits in any order, as an afternoon of work would bring them. */
class EditSequenceTest {
  private static final List<Edit> EDITS = EditTest.everyEdit().toList();

  @Property(tries = 200)
  void undoOfAll_givesTheFirstShotBack_redoTheLast(@ForAll Random random) {
    Shot first = Sets.rig();
    Shot shot = first;
    Deque<Edit> inverses = new ArrayDeque<>();
    Deque<Edit> again = new ArrayDeque<>();
    for (int i = 0; i < 12; i++) {
      Edit edit = EDITS.get(random.nextInt(EDITS.size()));
      Edit.Applied applied = tryOn(shot, edit);
      if (applied != null) {
        inverses.push(applied.inverse());
        again.addLast(edit);
        shot = applied.shot();
      }
    }
    Shot last = shot;
    for (Edit inverse : inverses) {
      shot = inverse.apply(shot);
    }
    assertThat(shot).isEqualTo(first);
    for (Edit edit : again) {
      shot = edit.apply(shot);
    }
    assertThat(shot).isEqualTo(last);
  }

  /**
   * Edits may no longer fit (a removed node, two keys at one frame): then the shot stays as it is.
   */
  private static Edit.Applied tryOn(Shot shot, Edit edit) {
    try {
      return Edit.applyAll(shot, List.of(edit));
    } catch (RefusedException notNow) {
      assertThat(notNow.getMessage()).contains("allowed:");
      return null;
    }
  }

  private static Footprint footprint(Edit edit, Shot shot) {
    return Edit.applyAll(shot, List.of(edit)).footprint();
  }

  /** Only the order of the list follows that of arrival. */
  private static void assertCommuting(Shot shot, Edit one, Edit other) {
    Shot forward = Edit.applyAll(shot, List.of(one, other)).shot();
    Shot backward = Edit.applyAll(shot, List.of(other, one)).shot();
    assertThat(new HashSet<>(forward.nodes()))
        .as("%s and %s", one, other)
        .isEqualTo(new HashSet<>(backward.nodes()));
    assertThat(forward.header()).isEqualTo(backward.header());
    assertThat(forward.markers()).isEqualTo(backward.markers());
  }

  /** Every pair once, so that no pair of kinds is left to chance. */
  @Example
  void everyPairThatDoesNotConflict_commutes() {
    Shot shot = Sets.rig();
    List<Footprint> footprints = EDITS.stream().map(edit -> footprint(edit, shot)).toList();
    int commuting = 0;
    for (int i = 0; i < EDITS.size(); i++) {
      for (int k = i; k < EDITS.size(); k++) {
        if (!footprints.get(i).conflictsWith(footprints.get(k))) {
          assertCommuting(shot, EDITS.get(i), EDITS.get(k));
          commuting++;
        }
      }
    }
    assertThat(commuting).as("footprints are no wider than they need be").isGreaterThan(4000);
  }

  /** What keeps several pieces in frame goes where their boxes and the aspect send it. */
  @Example
  void motionOfWhatKeepsPiecesFramed_meetsTheirShapes_andTheAspect() {
    Shot rig = Sets.rig();
    Shot kept =
        new KeepFramed(
                "framer",
                "kept",
                List.of("crate", "flag"),
                new Framing(0, 0),
                OptionalDouble.of(0.4),
                FrameUp.Way.DOLLY)
            .apply(rig);
    Edit copy = new CopyPose("walker", "framer", 20, Keying.TOUCHED);
    Node.Piece flag = (Node.Piece) kept.node("flag");
    Edit wider = new SetPiece("flag", new Shape.Card(3, 2), flag.finish());
    Edit aspect = EditTest.aspect(2.39);
    for (Edit edit : List.of(wider, aspect)) {
      Shot before = Edit.applyAll(kept, List.of(copy, edit)).shot();
      assertThat(Edit.applyAll(kept, List.of(edit, copy)).shot()).isNotEqualTo(before);
      assertThat(footprint(copy, kept).conflictsWith(footprint(edit, kept))).isTrue();
    }
    assertThat(footprint(copy, rig).conflictsWith(footprint(wider, rig))).isFalse();
  }

  @Property(tries = 300)
  void editsAfterAnAfternoonOfWork_thatDoNotConflict_commute(@ForAll Random random) {
    Shot shot = Sets.rig();
    for (int i = 0; i < 6; i++) {
      Edit.Applied applied = tryOn(shot, EDITS.get(random.nextInt(EDITS.size())));
      shot = applied == null ? shot : applied.shot();
    }
    Edit one = EDITS.get(random.nextInt(EDITS.size()));
    Edit other = EDITS.get(random.nextInt(EDITS.size()));
    Edit.Applied first = tryOn(shot, one);
    Edit.Applied second = tryOn(shot, other);
    if (first != null && second != null && !first.footprint().conflictsWith(second.footprint())) {
      assertCommuting(shot, one, other);
    }
  }
}
