package idlelens.web.quantity;

import idlelens.core.quantity.QuantityKind;
import idlelens.core.quantity.QuantityReader;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Map;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Reads numbers with units and sums. */
@RestController
@Tag(name = "Quantities")
class QuantityController {
  @PostMapping("/api/quantity")
  @Needs(Right.ACCOUNT)
  @Operation(
      summary = "Reads a typed number",
      description =
          "Body: text, kind (length, lens-length, angle, frames, stop, plain), rate of the shot, and if"
              + " wanted the unit of bare numbers.")
  Map<String, Object> read(@RequestBody byte[] body) throws FormatException {
    JsonPlace place = JsonPlace.parse(body, JsonLimits.SMALL).only("text", "kind", "rate", "unit");
    QuantityKind kind = place.get("kind").choice(QuantityKind.class);
    FrameRate rate = FrameRate.parse(place.text("rate", "24"));
    double value =
        QuantityReader.read(place.get("text").text(), kind, rate, place.text("unit", ""));
    return Map.of("value", value, "unit", kind.unit());
  }
}
