package idlelens.core.part;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Where a lens takes its focus distance from. */
public sealed interface FocusRule {
  /** What it reads the distance of. */
  default List<Target> targets() {
    return List.of();
  }

  /** With others in their places, as many as there are. */
  default FocusRule withTargets(List<Target> targets) {
    return this;
  }

  /** With all that lasts some frames lasting so many times as many. */
  default FocusRule lasting(double factor) {
    return this;
  }

  /** From the curve of focus distances. */
  record Distance() implements FocusRule {}

  /**
   * From a target: its distance along the lens's axis, plus an offset.
   *
   * @param target what is followed
   * @param offsetM metres added; negative is nearer
   * @param lag whole frames by which focus comes after what it follows
   */
  record Follow(Target target, double offsetM, int lag) implements FocusRule {
    /** The most frames by which focus may come after. */
    public static final int LONGEST_LAG = 240;

    public Follow {
      Require.present(target, "focus.target");
      Require.within(offsetM, -1e4, 1e4, "focus.offsetM");
      Require.within(lag, 0, LONGEST_LAG, "focus.lag");
    }

    /** Follows without lag. */
    public Follow(Target target, double offsetM) {
      this(target, offsetM, 0);
    }

    @Override
    public Follow lasting(double factor) {
      return new Follow(target, offsetM, (int) Math.min(LONGEST_LAG, Math.rint(lag * factor)));
    }

    @Override
    public List<Target> targets() {
      return List.of(target);
    }

    @Override
    public Follow withTargets(List<Target> targets) {
      return new Follow(targets.get(0), offsetM, lag);
    }
  }

  /**
   * From marks, between which it is pulled. It begins at the first one; a pull that begins before
   * another has come to its mark takes over from where that is.
   *
   * @param along what is even between two marks
   * @param marks at least one, each id once
   * @param pulls in the order of their frames
   */
  record Pulls(Along along, List<FocusMark> marks, List<Pull> pulls) implements FocusRule {
    /** The most marks. */
    public static final int MOST_MARKS = 100;

    /** The most pulls. */
    public static final int MOST_PULLS = 1000;

    public Pulls {
      Require.present(along, "pulls.along");
      Require.within(marks.size(), 1, MOST_MARKS, "pulls.marks.count");
      Require.within(pulls.size(), 0, MOST_PULLS, "pulls.count");
      marks = List.copyOf(marks);
      Set<String> known = new HashSet<>();
      marks.forEach(mark -> once(known, mark.id(), "pulls.marks.id"));
      Set<String> ids = new HashSet<>();
      pulls.forEach(pull -> once(ids, pull.id(), "pulls.id"));
      for (Pull pull : pulls) {
        if (!known.contains(pull.markId())) {
          throw new RefusedException(
              "pulls." + pull.id() + ".mark",
              "'" + pull.markId() + "'",
              String.join(", ", marks.stream().map(FocusMark::id).toList()));
        }
      }
      pulls =
          pulls.stream()
              .sorted(Comparator.comparingDouble(Pull::frame).thenComparing(Pull::id))
              .toList();
    }

    private static void once(Set<String> known, String id, String where) {
      if (!known.add(id)) {
        throw new RefusedException(where, "'" + id + "' twice", "each id once");
      }
    }

    /** With another pull in place of the one of its id. */
    Pulls with(Pull pull) {
      List<Pull> next = new ArrayList<>(pulls);
      next.replaceAll(p -> p.id().equals(pull.id()) ? pull : p);
      return new Pulls(along, marks, next);
    }

    Pulls without(String pullId) {
      return new Pulls(along, marks, pulls.stream().filter(p -> !p.id().equals(pullId)).toList());
    }

    @Override
    public Pulls lasting(double factor) {
      return new Pulls(along, marks, pulls.stream().map(p -> p.lasting(factor)).toList());
    }

    @Override
    public List<Target> targets() {
      return marks.stream().flatMap(m -> m.on().stream()).toList();
    }

    @Override
    public Pulls withTargets(List<Target> targets) {
      List<FocusMark> next = new ArrayList<>();
      int i = 0;
      for (FocusMark mark : marks) {
        next.add(mark.on().isPresent() ? mark.withTarget(targets.get(i++)) : mark);
      }
      return new Pulls(along, next, pulls);
    }
  }

  /** What is even between two marks while nothing is eased. */
  enum Along {
    /** One over the distance, as a lens is turned: slow while it is near. */
    RING,
    /** The distance. */
    METRES
  }
}
