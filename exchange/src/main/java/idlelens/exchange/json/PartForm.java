package idlelens.exchange.json;

import idlelens.core.part.Part;
import idlelens.core.part.PartBody;
import idlelens.core.part.PartKind;
import idlelens.exchange.format.FormatException;
import java.util.List;
import tools.jackson.databind.node.ObjectNode;

/**
 * How the settings of one kind of part are written and read; what all parts have is not its matter.
 *
 * @param settings the fields it may have besides those
 */
record PartForm<P extends Part>(
    PartKind kind, Class<P> type, List<String> settings, Reader<P> reader, Writer<P> writer) {

  /** Makes a part of its settings. */
  interface Reader<P> {
    P read(PartBody body, JsonPlace place) throws FormatException;
  }

  /** Puts the settings of a part into an object. */
  interface Writer<P> {
    void write(P part, ObjectNode out);
  }

  /**
   * @param settings names of the fields, with spaces between
   */
  static <P extends Part> PartForm<P> of(
      PartKind kind, Class<P> type, String settings, Reader<P> reader, Writer<P> writer) {
    List<String> fields = settings.isEmpty() ? List.of() : List.of(settings.split(" "));
    return new PartForm<>(kind, type, fields, reader, writer);
  }

  void write(Part part, ObjectNode out) {
    writer.write(type.cast(part), out);
  }
}
