package idlelens.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Random;
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

  @Property(tries = 100)
  void editsThatTouchNothingInCommon_giveTheSameInEitherOrder(@ForAll Random random) {
    Shot shot = Sets.rig();
    Edit one = EDITS.get(random.nextInt(EDITS.size()));
    Edit other = EDITS.get(random.nextInt(EDITS.size()));
    boolean structural =
        one instanceof AddNodes
            || one instanceof RemoveNodes
            || one instanceof Duplicate
            || other instanceof AddNodes
            || other instanceof RemoveNodes
            || other instanceof Duplicate;
    // moving in the world reads the pose of the carriers, which other edits may have moved
    boolean looksAround =
        one instanceof MoveInWorld
            || other instanceof MoveInWorld
            || one instanceof TurnTangent
            || other instanceof TurnTangent
            || one instanceof Carry
            || other instanceof Carry;
    if (structural || looksAround || Edit.overlap(one.touches(), other.touches())) {
      return;
    }
    Shot forward = other.apply(one.apply(shot));
    Shot backward = one.apply(other.apply(shot));
    assertThat(forward).isEqualTo(backward);
  }
}
