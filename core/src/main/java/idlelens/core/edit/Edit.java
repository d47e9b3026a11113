package idlelens.core.edit;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import java.util.List;
import java.util.Set;
import java.util.function.BiFunction;

/** One change to a shot. Applied to the same shot it always gives the same shot. */
public sealed interface Edit
    permits ChangeHeader,
        AddNodes,
        RemoveNodes,
        Duplicate,
        ToNewCamera,
        LiftShake,
        TakeToKeys,
        TakeToRecording,
        PoseInWorld,
        SpeedMove,
        Rename,
        SetHidden,
        SwitchPart,
        AddPart,
        RemovePart,
        OrderParts,
        SetPart,
        SetStamp,
        MoveStamp,
        RemoveStamp,
        Carry,
        HandOverTo,
        AddCarrier,
        AddRail,
        ShapeRail,
        JoinRails,
        SplitRail,
        RideRail,
        RailFromKeys,
        PinRide,
        Rebase,
        ZeroOut,
        CopyPose,
        CopyMotion,
        MovesToKeys,
        KeysToMoves,
        SetValues,
        Operate,
        Orbit,
        MoveInWorld,
        MovePath,
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
        SetTakesKeys,
        Retime,
        ConvertRate,
        Lengthen,
        SetMarkers,
        RemoveMarkers,
        CutTo,
        MatchCut,
        MoveCut,
        SwapCut,
        RemoveCut,
        SetFieldOfView,
        SetPicture,
        SetPiece,
        SetSun,
        SetRepeat,
        SetLight,
        SetMist,
        SetHaze,
        CloseSeam,
        FrameSubject,
        HoldSize,
        KeepFramed,
        Restore {

  /**
   * The shot after this change.
   *
   * @throws idlelens.core.rule.RefusedException naming the field, the value and what is allowed;
   *     the shot is as it was
   */
  Shot apply(Shot shot);

  /**
   * What this edit changes of a shot, and what else its outcome depends on.
   *
   * @throws idlelens.core.rule.RefusedException if the shot lacks what the edit names
   */
  Footprint footprint(Shot shot);

  /** Whether it writes a motion over all frames, which costs as many steps. */
  default boolean writesMotion() {
    return false;
  }

  /** What was done, in a few words for a list of changes. */
  String summary();

  /** A shot after some edits, with the edit that takes them all back, and what they touch. */
  record Applied(Shot shot, Edit inverse, Footprint footprint) {}

  /**
   * Applies edits in order, all or none.
   *
   * @throws idlelens.core.rule.RefusedException with the place {@code edits[i]}
   */
  static Applied applyAll(Shot shot, List<Edit> edits) {
    return applyAll(shot, edits, Locks::kept);
  }

  /** Applies edits that history keeps: what could be done once is done again, locks or not. */
  static Applied applyAgain(Shot shot, List<Edit> edits) {
    return applyAll(shot, edits, (before, edit) -> edit.apply(before));
  }

  private static Applied applyAll(
      Shot shot, List<Edit> edits, BiFunction<Shot, Edit, Shot> applying) {
    Shot after = shot;
    Footprint footprint = new Footprint(Set.of(), Set.of());
    for (int i = 0; i < edits.size(); i++) {
      try {
        footprint = footprint.and(edits.get(i).footprint(after));
        after = applying.apply(after, edits.get(i));
      } catch (RefusedException e) {
        throw edits.size() == 1 ? e : e.inside("edits[" + i + "]");
      }
    }
    return new Applied(after, Restore.from(after, shot), footprint);
  }

  /** The edit that leads from one shot to another. */
  static Edit between(Shot from, Shot to) {
    return Restore.from(from, to);
  }
}
