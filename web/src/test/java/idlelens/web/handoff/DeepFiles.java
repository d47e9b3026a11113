package idlelens.web.handoff;

import java.nio.charset.StandardCharsets;

/** Files of a camera at the end of a line of nulls, each a hand's breadth on from the last. */
public final class DeepFiles {
  private static final String HEAD =
      "#usda 1.0\n(\nupAxis = \"Y\"\nmetersPerUnit = 0.01\n"
          + "startTimeCode = 1\nendTimeCode = 24\ntimeCodesPerSecond = 24\n)\n";
  private static final String ORDER = "uniform token[] xformOpOrder = [\"xformOp:translate\"]\n";
  private static final String CAMERA =
      "def Camera \"end\"\n{\ndouble3 xformOp:translate.timeSamples = {1: (0, 0, 0), 24: (50, 0, 0)}\n"
          + ORDER
          + "float focalLength = 35\n}\n";

  private DeepFiles() {}

  /**
   * @param nulls how many carry one another; each moves on by 5 cm
   */
  public static byte[] usda(int nulls) {
    StringBuilder text = new StringBuilder(HEAD);
    for (int i = 1; i <= nulls; i++) {
      text.append("def Xform \"n").append(i).append("\"\n{\n");
      text.append("double3 xformOp:translate = (5, 0, 0)\n").append(ORDER);
    }
    text.append(CAMERA).append("}\n".repeat(nulls));
    return text.toString().getBytes(StandardCharsets.UTF_8);
  }
}
