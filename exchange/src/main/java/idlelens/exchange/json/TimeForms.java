package idlelens.exchange.json;

import static idlelens.exchange.json.EditParts.landing;
import static idlelens.exchange.json.EditParts.texts;

import idlelens.core.edit.CloseSeam;
import idlelens.core.edit.ConvertRate;
import idlelens.core.edit.Lengthen;
import idlelens.core.edit.RemoveMarkers;
import idlelens.core.edit.Retime;
import idlelens.core.edit.SetMarkers;
import idlelens.core.retime.Ramp;
import idlelens.core.retime.TimeMap;
import idlelens.core.scene.Marker;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import java.util.List;
import java.util.OptionalDouble;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Edits of time: re-timing, frame rate, markers. */
final class TimeForms {
  private static final int MOST_POINTS = 1000;

  static final List<EditForm<?>> ALL =
      List.of(
          EditForm.of(
              "close-seam",
              CloseSeam.class,
              "ids repeat steps",
              p ->
                  new CloseSeam(
                      texts(p.get("ids")),
                      p.text("repeat", ""),
                      p.has("steps") ? p.get("steps").whole() : 1),
              (e, out) -> {
                texts(out, "ids", e.ids());
                if (!e.repeatId().isEmpty()) {
                  out.put("repeat", e.repeatId()).put("steps", e.steps());
                }
              }),
          EditForm.of(
              "retime",
              Retime.class,
              "ids map landing markers range",
              p ->
                  new Retime(
                      p.has("ids") ? texts(p.get("ids")) : List.of(),
                      map(p.get("map")),
                      landing(p),
                      p.flag("markers", false),
                      p.flag("range", false)),
              (e, out) -> {
                texts(out, "ids", e.ids());
                out.set("map", write(e.map()));
                out.put("landing", JsonPlace.word(e.landing()));
                out.put("markers", e.markers()).put("range", e.range());
              }),
          EditForm.of(
              "convert-rate",
              ConvertRate.class,
              "rate keep wholeFrames",
              p ->
                  new ConvertRate(
                      FrameRate.parse(p.get("rate").text()),
                      p.get("keep").choice(ConvertRate.Keep.class),
                      p.flag("wholeFrames", false)),
              (e, out) ->
                  out.put("rate", e.rate().toString())
                      .put("keep", JsonPlace.word(e.keep()))
                      .put("wholeFrames", e.wholeFrames())),
          EditForm.of(
              "lengthen",
              Lengthen.class,
              "by at markers",
              p ->
                  new Lengthen(
                      p.get("by").whole(),
                      p.has("at")
                          ? OptionalDouble.of(p.get("at").number())
                          : OptionalDouble.empty(),
                      p.flag("markers", true)),
              (e, out) -> {
                out.put("by", e.by()).put("markers", e.markers());
                e.at().ifPresent(f -> out.put("at", f));
              }),
          EditForm.of(
              "set-markers",
              SetMarkers.class,
              "markers",
              p -> new SetMarkers(p.get("markers").list(Marker.MOST, MarkerJson::read)),
              (e, out) -> out.set("markers", MarkerJson.write(e.markers()))),
          EditForm.of(
              "remove-markers",
              RemoveMarkers.class,
              "ids",
              p -> new RemoveMarkers(texts(p.get("ids"))),
              (e, out) -> texts(out, "ids", e.ids())));

  private TimeForms() {}

  private static TimeMap map(JsonPlace p) throws FormatException {
    switch (p.get("kind").text()) {
      case "shift":
        p.only("kind", "by");
        return new TimeMap.Shift(p.get("by").number());
      case "stretch":
        p.only("kind", "from", "to", "about", "factor", "ripple");
        double from = p.get("from").number();
        return new TimeMap.Stretch(
            from,
            p.get("to").number(),
            p.number("about", from),
            p.get("factor").number(),
            p.flag("ripple", false));
      case "ripple":
        p.only("kind", "from", "by");
        return new TimeMap.Ripple(p.get("from").number(), p.get("by").number());
      case "ramp":
        p.only("kind", "points", "keepLength", "hits", "tolerance");
        return new Ramp(
            p.get("points")
                .list(MOST_POINTS, o -> new Ramp.Point(o.at(0).number(), o.at(1).number())),
            p.flag("keepLength", true),
            p.has("hits") ? EditParts.frames(p.get("hits")) : List.of(),
            p.number("tolerance", Ramp.USUAL_TOLERANCE));
      default:
        throw p.get("kind").refusal("shift, stretch, ripple, ramp");
    }
  }

  private static ObjectNode write(TimeMap map) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    if (map instanceof TimeMap.Shift shift) {
      out.put("kind", "shift").put("by", shift.by());
    } else if (map instanceof TimeMap.Stretch s) {
      out.put("kind", "stretch").put("from", s.from()).put("to", s.to());
      out.put("about", s.about()).put("factor", s.factor()).put("ripple", s.ripple());
    } else if (map instanceof TimeMap.Ripple ripple) {
      out.put("kind", "ripple").put("from", ripple.from()).put("by", ripple.by());
    } else if (map instanceof Ramp ramp) {
      ArrayNode points = out.put("kind", "ramp").putArray("points");
      ramp.points().forEach(o -> points.addArray().add(o.frame()).add(o.speed()));
      out.put("keepLength", ramp.keepLength());
      EditParts.frames(out, "hits", ramp.hits());
      out.put("tolerance", ramp.tolerance());
    }
    return out;
  }
}
