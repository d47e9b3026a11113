package idlelens.exchange.json;

import idlelens.core.scene.PictureFrame;
import idlelens.exchange.format.FormatException;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** How the picture is laid out. */
public final class PictureJson {
  private PictureJson() {}

  /** All of it, also what is as usual. */
  public static ObjectNode write(PictureFrame picture) {
    ObjectNode out = JsonNodeFactory.instance.objectNode();
    out.put("widthPx", picture.widthPx()).put("pixelAspect", picture.pixelAspect());
    ArrayNode guides = out.putArray("guides");
    picture.guides().forEach(guide -> guides.add(JsonPlace.word(guide)));
    picture
        .mask()
        .ifPresent(
            mask ->
                out.putObject("mask").put("aspect", mask.aspect()).put("opacity", mask.opacity()));
    out.putArray("grid").add(picture.gridAcross()).add(picture.gridDown());
    return out;
  }

  /** What is not given is as usual. */
  static PictureFrame read(JsonPlace place) throws FormatException {
    place.only("widthPx", "pixelAspect", "guides", "mask", "grid");
    PictureFrame usual = PictureFrame.USUAL;
    return new PictureFrame(
        place.has("widthPx") ? place.get("widthPx").whole() : usual.widthPx(),
        place.number("pixelAspect", usual.pixelAspect()),
        place.has("guides") ? guides(place.get("guides")) : usual.guides(),
        place.has("mask") ? Optional.of(mask(place.get("mask"))) : Optional.empty(),
        place.has("grid") ? place.get("grid").at(0).whole() : usual.gridAcross(),
        place.has("grid") ? place.get("grid").at(1).whole() : usual.gridDown());
  }

  private static Set<PictureFrame.Guide> guides(JsonPlace place) throws FormatException {
    Set<PictureFrame.Guide> all = EnumSet.noneOf(PictureFrame.Guide.class);
    all.addAll(
        place.list(
            PictureFrame.Guide.values().length, each -> each.choice(PictureFrame.Guide.class)));
    return all;
  }

  private static PictureFrame.Mask mask(JsonPlace place) throws FormatException {
    place.only("aspect", "opacity");
    return new PictureFrame.Mask(place.get("aspect").number(), place.number("opacity", 0.6));
  }
}
