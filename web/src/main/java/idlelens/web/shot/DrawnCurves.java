package idlelens.web.shot;

import java.util.List;

/**
 * What a window draws of the curves, and so wants in an answer of octets.
 *
 * @param curves ids of the nodes whose curves and path tangents are drawn
 * @param slopes whether speed and acceleration of these are drawn too; not if it is left out
 */
record DrawnCurves(List<String> curves, Boolean slopes) {
  DrawnCurves {
    curves = curves == null ? List.of() : List.copyOf(curves);
    slopes = Boolean.TRUE.equals(slopes);
  }
}
