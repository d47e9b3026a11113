package idlelens.web.feel;

import idlelens.core.part.Feels;
import idlelens.core.rule.Require;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.FeelJson;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Feels to start from: those that ship with the product, and those that a production keeps. */
@RestController
@RequestMapping("/api/productions/{production}/feels")
@Tag(name = "Feel")
class FeelController {
  private final FeelRepository feels;

  FeelController(FeelRepository feels) {
    this.feels = feels;
  }

  @GetMapping
  @Needs(Right.READ_PRODUCTION)
  @Operation(
      summary = "Feels to start from",
      description =
          "Each with name and layers of shake; kept says whether the production keeps it.")
  ResponseEntity<byte[]> list(@PathVariable long production) throws FormatException {
    ArrayNode out = JsonNodeFactory.instance.arrayNode();
    Feels.ALL.forEach(feel -> out.add(FeelJson.write(feel).put("kept", false)));
    for (FeelRepository.Kept kept : feels.of(production)) {
      ObjectNode each = out.addObject().put("name", kept.name()).put("kept", true);
      each.set("layers", JsonPlace.mapper().readTree(kept.layers()));
    }
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_JSON)
        .body(JsonPlace.mapper().writeValueAsBytes(out));
  }

  @PutMapping("/{name}")
  @Needs(Right.CHANGE_PRODUCTION)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(
      summary = "Keeps a feel, in place of the one of its name",
      description = "Body: layers, each a part of kind shake as in a document.")
  void keep(@PathVariable long production, @PathVariable String name, @RequestBody byte[] body)
      throws FormatException {
    JsonPlace place = JsonPlace.parse(body, JsonLimits.SMALL).only("layers");
    String text = FeelJson.writeLayers(FeelJson.readLayers(place)).toString();
    feels.keep(production, Require.name(name, 60, "name"), text);
  }

  @DeleteMapping("/{name}")
  @Needs(Right.CHANGE_PRODUCTION)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes a feel out of what a production keeps")
  void remove(@PathVariable long production, @PathVariable String name) {
    feels.remove(production, name);
  }
}
