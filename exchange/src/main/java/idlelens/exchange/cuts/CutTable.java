package idlelens.exchange.cuts;

import java.nio.charset.StandardCharsets;

/** A cut list as CSV: a row for each camera that is seen, frames both included. */
public final class CutTable {
  private CutTable() {}

  /** In UTF-8, names in quotes. */
  public static byte[] write(CutList cuts) {
    StringBuilder out = new StringBuilder("number,camera,in,out,frames,dissolve\r\n");
    int number = 0;
    for (CutList.Event event : cuts.events()) {
      out.append(++number).append(",\"").append(event.camera().replace("\"", "\"\""));
      out.append("\",").append(event.frames().in()).append(',').append(event.frames().out());
      out.append(',').append(event.frames().length()).append(',').append(event.dissolve());
      out.append("\r\n");
    }
    return out.toString().getBytes(StandardCharsets.UTF_8);
  }
}
