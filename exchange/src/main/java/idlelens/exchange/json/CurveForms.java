package idlelens.exchange.json;

import static idlelens.exchange.json.EditParts.PICKS;
import static idlelens.exchange.json.EditParts.frame;
import static idlelens.exchange.json.EditParts.id;
import static idlelens.exchange.json.EditParts.paths;
import static idlelens.exchange.json.EditParts.picks;

import idlelens.core.curve.Beyond;
import idlelens.core.curve.Tangent;
import idlelens.core.edit.AlignKeys;
import idlelens.core.edit.BakeKeys;
import idlelens.core.edit.HoldUntil;
import idlelens.core.edit.InsertKeys;
import idlelens.core.edit.ReduceKeys;
import idlelens.core.edit.RemoveOvershoot;
import idlelens.core.edit.SetBeyond;
import idlelens.core.edit.SetHandle;
import idlelens.core.edit.SetTangents;
import idlelens.core.edit.TangentChoice;
import idlelens.core.edit.TurnTangent;
import idlelens.core.part.Family;
import idlelens.core.part.Path;
import idlelens.exchange.format.FormatException;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.node.ObjectNode;

/** Edits of the shape of curves: tangents, what lies outside the keys, fewer or more keys. */
final class CurveForms {
  static final List<EditForm<?>> ALL =
      List.of(
          EditForm.of(
              "set-tangents",
              SetTangents.class,
              PICKS + " tangent joined ownLength weighted",
              p -> new SetTangents(picks(p), choice(p)),
              (e, out) -> {
                picks(out, e.picks());
                choice(e.choice(), out);
              }),
          EditForm.of(
              "set-handle",
              SetHandle.class,
              "id channel frame side frames value alone",
              p ->
                  new SetHandle(
                      id(p),
                      Path.parse(p.get("channel").text()),
                      frame(p),
                      p.get("side").choice(SetHandle.Side.class),
                      new Tangent.Handle(p.get("frames").number(), p.get("value").number()),
                      p.flag("alone", false)),
              (e, out) -> {
                out.put("id", e.id()).put("channel", e.path().toString()).put("frame", e.frame());
                out.put("side", JsonPlace.word(e.side())).put("alone", e.alone());
                out.put("frames", e.handle().frames()).put("value", e.handle().value());
              }),
          EditForm.of(
              "turn-tangent",
              TurnTangent.class,
              "id frame side dx dy dz alone",
              p ->
                  new TurnTangent(
                      id(p),
                      frame(p),
                      p.get("side").choice(SetHandle.Side.class),
                      p.number("dx", 0),
                      p.number("dy", 0),
                      p.number("dz", 0),
                      p.flag("alone", false)),
              (e, out) -> {
                out.put("id", e.id()).put("frame", e.frame()).put("alone", e.alone());
                out.put("side", JsonPlace.word(e.side()));
                out.put("dx", e.dxM()).put("dy", e.dyM()).put("dz", e.dzM());
              }),
          EditForm.of(
              "set-beyond",
              SetBeyond.class,
              "id channels before after",
              p -> new SetBeyond(id(p), paths(p), beyond(p, "before"), beyond(p, "after")),
              (e, out) -> {
                paths(out.put("id", e.id()), "channels", e.paths());
                e.before().ifPresent(b -> out.put("before", JsonPlace.word(b)));
                e.after().ifPresent(b -> out.put("after", JsonPlace.word(b)));
              }),
          EditForm.of(
              "insert-keys",
              InsertKeys.class,
              PICKS,
              p -> new InsertKeys(picks(p)),
              (e, out) -> picks(out, e.picks())),
          EditForm.of(
              "align-keys",
              AlignKeys.class,
              "id",
              p -> new AlignKeys(id(p)),
              (e, out) -> out.put("id", e.id())),
          EditForm.of(
              "bake-keys",
              BakeKeys.class,
              "id channels from to step",
              p ->
                  new BakeKeys(
                      id(p),
                      paths(p),
                      p.get("from").number(),
                      p.get("to").number(),
                      p.has("step") ? p.get("step").whole() : 1),
              (e, out) -> {
                paths(out.put("id", e.id()), "channels", e.paths());
                out.put("from", e.from()).put("to", e.to()).put("step", e.step());
              }),
          EditForm.of(
              "reduce-keys",
              ReduceKeys.class,
              "id channels tolerances placeM turn lens",
              p -> new ReduceKeys(id(p), paths(p), tolerances(p)),
              (e, out) -> {
                paths(out.put("id", e.id()), "channels", e.paths());
                ObjectNode tolerances = out.putObject("tolerances");
                e.tolerances().forEach((family, t) -> tolerances.put(family.id(), t));
              }),
          EditForm.of(
              "remove-overshoot",
              RemoveOvershoot.class,
              PICKS + " tolerance keepJoined",
              p ->
                  new RemoveOvershoot(
                      picks(p), p.number("tolerance", 0), p.flag("keepJoined", true)),
              (e, out) -> {
                picks(out, e.picks());
                out.put("tolerance", e.tolerance()).put("keepJoined", e.keepJoined());
              }),
          EditForm.of(
              "hold-until",
              HoldUntil.class,
              PICKS,
              p -> new HoldUntil(picks(p)),
              (e, out) -> picks(out, e.picks())));

  private CurveForms() {}

  /** Tolerances by family; before there were these, one each for place, turn and lens. */
  private static Map<Family, Double> tolerances(JsonPlace p) throws FormatException {
    Map<Family, Double> tolerances = new EnumMap<>(Family.class);
    for (Family family : Family.values()) {
      String older =
          switch (family) {
            case PLACE -> "placeM";
            case TURN -> "turn";
            default -> "lens";
          };
      if (p.has(older)) {
        tolerances.put(family, p.get(older).number());
      }
    }
    if (p.has("tolerances")) {
      for (String name : p.get("tolerances").names()) {
        tolerances.put(Family.of(name), p.get("tolerances").get(name).number());
      }
    }
    return tolerances;
  }

  private static Optional<Beyond> beyond(JsonPlace p, String field) throws FormatException {
    return p.has(field) ? Optional.of(p.get(field).choice(Beyond.class)) : Optional.empty();
  }

  private static TangentChoice choice(JsonPlace p) throws FormatException {
    if (!p.get("tangent").text().equals("free")) {
      return new TangentChoice.Automatic(
          p.get("tangent").choice(Tangent.Kind.class, "settle, flow, straight, hold, free"));
    }
    Optional<Boolean> older = flag(p, "weighted");
    return new TangentChoice.ByHand(
        flag(p, "joined"), older.isPresent() ? older : flag(p, "ownLength"));
  }

  private static Optional<Boolean> flag(JsonPlace p, String field) throws FormatException {
    return p.has(field) ? Optional.of(p.get(field).flag()) : Optional.empty();
  }

  private static void choice(TangentChoice choice, ObjectNode out) {
    if (choice instanceof TangentChoice.Automatic automatic) {
      out.put("tangent", JsonPlace.word(automatic.kind()));
    } else if (choice instanceof TangentChoice.ByHand free) {
      out.put("tangent", "free");
      free.joined().ifPresent(j -> out.put("joined", j));
      free.ownLength().ifPresent(o -> out.put("ownLength", o));
    }
  }
}
