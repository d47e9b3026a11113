package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Set;

/** One change to a shot. Applied to the same shot it always gives the same shot. */
public sealed interface Edit
    permits ChangeHeader,
        AddNodes,
        RemoveNodes,
        Duplicate,
        Rename,
        SetHidden,
        SwitchPart,
        Carry,
        SetValues,
        Operate,
        MoveInWorld,
        KeyPose,
        RemoveKeys,
        MoveKeys,
        ScaleKeys,
        PlaceKeys,
        PasteKeys,
        InsertKeys,
        AlignKeys,
        BakeKeys,
        ReduceKeys,
        RemoveOvershoot,
        HoldUntil,
        SetTangents,
        SetHandle,
        TurnTangent,
        SetBeyond,
        SetKeyFilter,
        Retime,
        ConvertRate,
        SetMarkers,
        RemoveMarkers,
        SetLens,
        SetFieldOfView,
        SetPiece,
        SetSun,
        Restore {

  /**
   * The shot after this change.
   *
   * @throws idlelens.core.rule.RefusedException naming the field, the value and what is allowed;
   *     the shot is as it was
   */
  Shot apply(Shot shot);

  /**
   * The things this edit changes or relies on, such as {@code header}, {@code cam/x}, {@code cam/*}
   * or {@code everything}. Two edits that touch nothing in common can be applied in either order.
   */
  Set<String> touches();

  /** What was done, in a few words for a list of changes. */
  String summary();

  /** A shot after some edits, with the edit that takes them all back. */
  record Applied(Shot shot, Edit inverse) {}

  /**
   * Applies edits in order, all or none.
   *
   * @throws idlelens.core.rule.RefusedException with the place {@code edits[i]}
   */
  static Applied applyAll(Shot shot, List<Edit> edits) {
    Shot after = shot;
    for (int i = 0; i < edits.size(); i++) {
      try {
        after = Locks.kept(after, edits.get(i));
      } catch (RefusedException e) {
        throw edits.size() == 1 ? e : e.inside("edits[" + i + "]");
      }
    }
    return new Applied(after, Restore.from(after, shot));
  }

  /** The edit that leads from one shot to another. */
  static Edit between(Shot from, Shot to) {
    return Restore.from(from, to);
  }

  /** Whether two sets of touched things have something in common. */
  static boolean overlap(Set<String> one, Set<String> other) {
    if (one.contains("everything") || other.contains("everything")) {
      return true;
    }
    return one.stream().anyMatch(a -> other.stream().anyMatch(b -> same(a, b)));
  }

  private static boolean same(String a, String b) {
    if (a.equals(b)) {
      return true;
    }
    boolean wide = a.endsWith("/*") || b.endsWith("/*");
    return wide
        && a.substring(0, a.indexOf('/') + 1).equals(b.substring(0, b.indexOf('/') + 1))
        && a.indexOf('/') > 0;
  }
}
