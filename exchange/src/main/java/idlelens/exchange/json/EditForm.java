package idlelens.exchange.json;

import idlelens.core.edit.Edit;
import idlelens.exchange.format.FormatException;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * How one kind of edit is written and read.
 *
 * @param kind what its field {@code edit} says
 * @param fields all fields it may have beside that
 * @param writer none for kinds that are no longer written
 */
record EditForm<E extends Edit>(
    String kind, Class<E> type, List<String> fields, Reader<E> reader, Writer<E> writer) {

  /** Makes an edit of its fields. */
  interface Reader<E> {
    E read(JsonPlace place) throws FormatException;
  }

  /** Puts the fields of an edit into an object that already says its kind. */
  interface Writer<E> {
    void write(E edit, ObjectNode out);
  }

  /**
   * @param fields names of the fields, with spaces between
   */
  static <E extends Edit> EditForm<E> of(
      String kind, Class<E> type, String fields, Reader<E> reader, Writer<E> writer) {
    return new EditForm<>(kind, type, List.of(fields.split(" ")), reader, writer);
  }

  /** One that is read where it was kept, and written as another by now. */
  static <E extends Edit> EditForm<E> older(
      String kind, Class<E> type, String fields, Reader<E> reader) {
    return new EditForm<>(kind, type, List.of(fields.split(" ")), reader, null);
  }

  boolean isOlder() {
    return writer == null;
  }

  E read(JsonPlace place) throws FormatException {
    List<String> all = new ArrayList<>(List.of("edit"));
    all.addAll(fields);
    return reader.read(place.only(all.toArray(String[]::new)));
  }

  ObjectNode write(Edit edit) {
    ObjectNode out = JsonNodeFactory.instance.objectNode().put("edit", kind);
    writer.write(type.cast(edit), out);
    return out;
  }
}
