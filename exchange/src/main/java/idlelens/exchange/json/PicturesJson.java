package idlelens.exchange.json;

import idlelens.core.set.Pictures;
import idlelens.core.set.Still;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What is shown on a card. */
final class PicturesJson {
  private static final int ONCE = 1;

  private PicturesJson() {}

  static void write(Pictures pictures, ObjectNode out) {
    ArrayNode stills = out.putArray("stills");
    for (Still still : pictures.stills()) {
      ObjectNode to = stills.addObject().put("asset", still.asset());
      to.put("width", still.widthPx()).put("height", still.heightPx());
      if (still.held() != ONCE) {
        to.put("held", still.held());
      }
    }
    out.put("rate", pictures.rate().toString()).put("first", pictures.first());
    out.put("after", JsonPlace.word(pictures.after()));
  }

  static Pictures read(JsonPlace place) throws FormatException {
    place.only("stills", "rate", "first", "after");
    return new Pictures(
        place.get("stills").list(Pictures.MOST, PicturesJson::readStill),
        FrameRate.parse(place.get("rate").text()),
        place.get("first").number(),
        place.choice("after", Pictures.After.class, Pictures.After.HOLD));
  }

  private static Still readStill(JsonPlace place) throws FormatException {
    place.only("asset", "width", "height", "held");
    return new Still(
        place.get("asset").text(),
        place.get("width").whole(),
        place.get("height").whole(),
        place.has("held") ? place.get("held").whole() : ONCE);
  }
}
