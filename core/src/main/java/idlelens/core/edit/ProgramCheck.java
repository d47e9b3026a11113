package idlelens.core.edit;

import idlelens.core.cut.Cut;
import idlelens.core.cut.Program;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import java.util.HashSet;
import java.util.Set;

/** Nobody cuts to a camera that is not there. */
final class ProgramCheck {
  private ProgramCheck() {}

  /**
   * A shot with another program.
   *
   * @throws RefusedException if it has a cut that was not there before, to a camera that is not
   *     there at its frame
   */
  static Shot with(Shot shot, Program program) {
    Set<Cut> before = new HashSet<>(shot.program().cuts());
    for (Cut cut : program.cuts()) {
      if (!before.contains(cut) && !shot.isThere(cut.camera(), cut.frame())) {
        throw new RefusedException(
            "camera",
            "'" + shot.node(cut.camera()).name() + "', which is not there at frame " + cut.frame(),
            "a camera that is there");
      }
    }
    return shot.withProgram(program);
  }
}
