package idlelens.exchange.report;

import idlelens.core.motion.Evaluation;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.cuts.CutList;
import idlelens.exchange.outgoing.HandOff;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The camera report: a page of HTML that stands alone and is laid out for paper. */
public final class ReportPage {

  private static final double SAME = 1e-9;

  private static final String STYLE =
      """
      @page { size: A4; margin: 16mm; }
      body { font: 13px/1.45 Barlow, sans-serif; color: #1d2930; background: #fff; max-width: 720px;
        margin: 24px auto; }
      h1 { font-size: 22px; margin: 0; } h2 { font-size: 16px; margin: 22px 0 6px; }
      p { margin: 4px 0; color: #566169; }
      table { border-collapse: collapse; width: 100%; break-inside: avoid; }
      td, th { text-align: left; padding: 3px 12px 3px 0; border-bottom: 1px solid #d3caba; }
      th { font-weight: 500; color: #566169; width: 32%; }
      td { font-variant-numeric: tabular-nums; }
      thead th { width: auto; border-bottom-color: #1d2930; }
      svg { width: 100%; border: 1px solid #d3caba; break-inside: avoid; }
      svg text { font-size: 11px; fill: #1d2930; }
      .piece { fill: #ebe5d8; stroke: #a39a88; stroke-width: 0.6; }
      .path { fill: none; stroke-width: 1.6; } .bar { stroke: #1d2930; stroke-width: 2; }
      .c0 { stroke: #25678a; } .c1 { stroke: #8a6112; } .c2 { stroke: #2c7a63; } .c3 { stroke: #7b4a7c; }
      circle { fill: #fff; stroke-width: 1.2; }
      """;

  private final Shot shot;
  private final FrameRange frames;
  private final List<String> cameras;
  private final StringBuilder out = new StringBuilder();

  private ReportPage(HandOff handOff) {
    this.shot = handOff.shot();
    this.frames = handOff.frames();
    this.cameras = handOff.cameras();
  }

  /**
   * @param handOff the cameras, and over which frames
   * @param cuts what is seen, if there is more than one camera to see
   */
  public static byte[] write(HandOff handOff, Optional<CutList> cuts) {
    return new ReportPage(handOff).write(cuts).getBytes(StandardCharsets.UTF_8);
  }

  static String escaped(String text) {
    return text.replace("&", "&amp;")
        .replace("<", "&lt;")
        .replace(">", "&gt;")
        .replace("\"", "&quot;");
  }

  private String write(Optional<CutList> cuts) {
    Evaluation motion = Evaluation.of(shot, SampleGrid.over(frames, 0), null);
    String name = escaped(shot.header().name());
    out.append(
        "<!doctype html><html lang=\"en\"><head><meta charset=\"utf-8\"><title>Camera report: ");
    out.append(name).append("</title><style>").append(STYLE).append("</style></head><body>");
    out.append("<h1>").append(name).append("</h1><p>Camera report. ");
    double seconds = shot.header().rate().seconds(frames.length());
    out.append(
        format(
            "Frames %d to %d, %d in all, %.2f s at %s; picture %.3f : 1.</p>",
            frames.in(),
            frames.out(),
            frames.length(),
            seconds,
            shot.header().rate().label(),
            shot.header().aspect()));
    out.append("<h2>Plan</h2>").append(PlanDrawing.of(shot, motion, cameras));
    out.append("<p>From above; a dot a second.</p>");
    for (String id : cameras) {
      camera(CameraFacts.of(shot, motion, shot.camera(id)));
    }
    cuts.ifPresent(this::cuts);
    return out.append("</body></html>").toString();
  }

  private static String format(String format, Object... values) {
    return String.format(Locale.ROOT, format, values);
  }

  private static String range(double[] range, String unit, int digits) {
    String number = "%." + digits + "f";
    boolean one = range[1] - range[0] <= SAME;
    return one
        ? format(number + " %s", range[0], unit)
        : format(number + " to " + number + " %s", range[0], range[1], unit);
  }

  private void row(String name, String value) {
    out.append("<tr><th scope=\"row\">")
        .append(name)
        .append("</th><td>")
        .append(value)
        .append("</td></tr>");
  }

  private void camera(CameraFacts facts) {
    out.append("<h2>").append(escaped(facts.name())).append("</h2><table>");
    if (facts.lens().isOrthographic()) {
      row("Orthographic", range(facts.widthM(), "m", 2) + " across, no depth of field");
    } else {
      optics(facts);
    }
    row("Shutter", shutter(facts.shutterDeg()));
    row("Height", range(facts.heightM(), "m", 2));
    row("Path", format("%.2f m", facts.pathM()));
    row(
        "Speed",
        format("%.2f m/s on the mean, %.2f m/s at most", facts.meanMs(), facts.fastestMs()));
    row("Turning", format("%.1f °/s at most", facts.turnDegS()));
    out.append("</table>");
  }

  /** Its angle, and the time where it stays the same. */
  private String shutter(double[] degrees) {
    String angle = range(degrees, "°", 1).replace(" °", "°").replace(".0°", "°");
    double second = degrees[0] / 360 / shot.header().rate().framesPerSecond();
    return degrees[0] == degrees[1] && second > 0
        ? angle + format(", 1/%.0f s", 1 / second)
        : angle;
  }

  private void optics(CameraFacts facts) {
    row("Focal length", range(facts.focalMm(), "mm", 2));
    row(
        "Sensor",
        format(
            "%.2f x %.2f mm, used %.2f x %.2f mm%s",
            facts.lens().sensor().widthMm(),
            facts.lens().sensor().heightMm(),
            facts.gate().widthMm(),
            facts.gate().heightMm(),
            facts.gate().squeeze() == 1 ? "" : format(", squeeze %.2f", facts.gate().squeeze())));
    double[] across = {
      Math.toDegrees(facts.gate().horizontalRad(facts.focalMm()[1])),
      Math.toDegrees(facts.gate().horizontalRad(facts.focalMm()[0]))
    };
    row("View across", range(across, "°", 2));
    row("F-stop", "f/" + range(facts.fStop(), "", 1).strip());
    row("Focus", range(facts.focusM(), "m", 2));
  }

  private void cuts(CutList cuts) {
    out.append(
        "<h2>Cuts</h2><table><thead><tr><th>Camera</th><th>From</th><th>To</th><th>Frames</th></tr></thead>");
    for (CutList.Event event : cuts.events()) {
      out.append("<tr><td>").append(escaped(event.camera())).append("</td>");
      out.append(
          format(
              "<td>%d</td><td>%d</td><td>%d</td></tr>",
              event.frames().in(), event.frames().out(), event.frames().length()));
    }
    out.append("</table>");
  }
}
