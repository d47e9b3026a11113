package idlelens.web.handoff;

import idlelens.exchange.transfer.CameraReport;
import idlelens.exchange.transfer.TransferReport;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** A transfer check as the browser gets it. */
final class TransferJson {
  private TransferJson() {}

  static ObjectNode write(FileWriting.Checked checked) {
    TransferReport report = checked.report();
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("fileName", checked.file().name());
    out.put("octets", checked.file().octets().length);
    out.put("widthPx", report.widthPx()).put("firstFrame", report.firstFrame());
    out.put("good", report.verdict().good()).put("proven", report.verdict().proven());
    out.put("sentence", report.verdict().sentence());
    ArrayNode reasons = out.putArray("reasons");
    report.verdict().reasons().forEach(reasons::add);
    ArrayNode notes = out.putArray("notes");
    checked.file().notes().forEach(notes::add);
    ArrayNode cameras = out.putArray("cameras");
    report.cameras().forEach(c -> camera(c, cameras.addObject()));
    return out;
  }

  private static void camera(CameraReport camera, ObjectNode out) {
    out.put("name", camera.name()).put("betweenPx", camera.betweenPx());
    column(out, "mostPx", camera.mostPx());
    column(out, "meanPx", camera.meanPx());
    column(out, "placeMm", camera.placeMm());
    column(out, "turnMin", camera.turnMin());
    column(out, "viewDeg", camera.viewDeg());
  }

  private static void column(ObjectNode out, String name, double[] values) {
    ArrayNode all = out.putArray(name);
    for (double value : values) {
      all.add(value);
    }
  }
}
