package idlelens.web.picture;

import idlelens.core.set.Pictures;
import idlelens.core.set.PlayOrder;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Puts the files of a picture sequence in order. */
@RestController
@Tag(name = "Pictures on cards")
class PlayOrderController {
  @PostMapping("/api/play-order")
  @Needs(Right.ACCOUNT)
  @Operation(
      summary = "The order in which picture files play",
      description =
          "Body: names. By names, numbers in them by value; a picture is held until the number of"
              + " the next one.")
  List<PlayOrder.Placed> order(@RequestBody byte[] body) throws FormatException {
    JsonPlace place = JsonPlace.parse(body, JsonLimits.EDITS).only("names");
    return PlayOrder.of(place.get("names").list(Pictures.MOST, JsonPlace::text));
  }
}
