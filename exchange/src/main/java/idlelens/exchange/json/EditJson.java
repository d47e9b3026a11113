package idlelens.exchange.json;

import idlelens.core.edit.Edit;
import idlelens.core.edit.Restore;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.ShotHeader;
import idlelens.exchange.format.FormatException;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Edits as objects with a field {@code edit} that says which; see {@code docs/formats.md}. */
public final class EditJson {
  private static final int MOST_EDITS = 500;

  private static final List<EditForm<?>> FORMS =
      Stream.of(
              SetForms.ALL,
              RigForms.ALL,
              RailForms.ALL,
              PartEditForms.ALL,
              TakeForms.ALL,
              KeyForms.ALL,
              CurveForms.ALL,
              TimeForms.ALL,
              CutForms.ALL)
          .flatMap(List::stream)
          .toList();

  private static final Map<String, EditForm<?>> BY_KIND =
      FORMS.stream().collect(Collectors.toMap(EditForm::kind, Function.identity()));

  private static final Map<Class<?>, EditForm<?>> BY_TYPE =
      FORMS.stream()
          .filter(f -> !f.isOlder())
          .collect(Collectors.toMap(EditForm::type, Function.identity()));

  private EditJson() {}

  /** A list of edits as text. */
  public static String text(List<Edit> edits) {
    ArrayNode all = JsonNodeFactory.instance.arrayNode();
    edits.forEach(e -> all.add(write(e)));
    return JsonPlace.mapper().writeValueAsString(all);
  }

  /** Reads a list of edits. */
  public static List<Edit> readList(JsonPlace place) throws FormatException {
    return place.list(MOST_EDITS, EditJson::read);
  }

  /** Reads a list of edits that somebody asks for; putting back is what history does. */
  public static List<Edit> readAsked(JsonPlace place) throws FormatException {
    return place.list(MOST_EDITS, EditJson::readOneAsked);
  }

  private static Edit readOneAsked(JsonPlace place) throws FormatException {
    JsonPlace kind = place.get("edit");
    if (kind.text().equals(BY_TYPE.get(Restore.class).kind())) {
      throw kind.refusal("an edit; undo and go-back have calls of their own");
    }
    return read(place);
  }

  /** Reads the header of a shot: name, rate, in, out, handles, aspect, metresPerUnit, newKeys. */
  public static ShotHeader readHeader(JsonPlace place) throws FormatException {
    try {
      return ShotJson.readHeader(place);
    } catch (RefusedException e) {
      throw Refusals.inside(place.path(), e);
    }
  }

  /** Reads one edit. */
  public static Edit read(JsonPlace place) throws FormatException {
    EditForm<?> form = BY_KIND.get(place.get("edit").text());
    if (form == null) {
      throw place.get("edit").refusal("the name of an edit, such as set-values or key-pose");
    }
    try {
      return form.read(place);
    } catch (RefusedException e) {
      throw Refusals.inside(place.path(), e);
    }
  }

  /** Writes one edit. */
  public static ObjectNode write(Edit edit) {
    return BY_TYPE.get(edit.getClass()).write(edit);
  }
}
