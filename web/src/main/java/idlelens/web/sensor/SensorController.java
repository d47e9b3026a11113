package idlelens.web.sensor;

import idlelens.core.lens.FilmBack;
import idlelens.core.lens.SensorFormat;
import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Arrays;
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

/** Sensors to choose from: those with a common name, and those that a production keeps. */
@RestController
@RequestMapping("/api/productions/{production}/sensors")
@Tag(name = "Sensor")
class SensorController {
  private static final int LONGEST_NAME = 60;

  private final SensorRepository sensors;

  SensorController(SensorRepository sensors) {
    this.sensors = sensors;
  }

  @GetMapping
  @Needs(Right.READ_PRODUCTION)
  @Operation(
      summary = "Sensors to choose from",
      description = "Each with name and sensorMm; kept says whether the production keeps it.")
  ResponseEntity<byte[]> list(@PathVariable long production) {
    ArrayNode out = JsonNodeFactory.instance.arrayNode();
    for (SensorFormat format : SensorFormat.values()) {
      add(out, format.label(), format.back(), false);
    }
    sensors.of(production).forEach(kept -> add(out, kept.name(), kept.back(), true));
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_JSON)
        .body(JsonPlace.mapper().writeValueAsBytes(out));
  }

  private static void add(ArrayNode out, String name, FilmBack back, boolean kept) {
    out.addObject()
        .put("name", name)
        .put("kept", kept)
        .putArray("sensorMm")
        .add(back.widthMm())
        .add(back.heightMm());
  }

  @PutMapping("/{name}")
  @Needs(Right.CHANGE_PRODUCTION)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(
      summary = "Keeps a sensor, in place of the one of its name",
      description = "Body: sensorMm, width and height, 0.1 to 1000 each.")
  void keep(@PathVariable long production, @PathVariable String name, @RequestBody byte[] body)
      throws FormatException {
    JsonPlace size = JsonPlace.parse(body, JsonLimits.SMALL).only("sensorMm").get("sensorMm");
    FilmBack back = new FilmBack(size.at(0).number(), size.at(1).number());
    sensors.keep(production, new SensorRepository.Kept(own(name), back));
  }

  /** A name that no sensor has which everybody knows. */
  private static String own(String name) {
    String checked = Require.name(name, LONGEST_NAME, "name");
    boolean common =
        Arrays.stream(SensorFormat.values()).anyMatch(f -> f.label().equalsIgnoreCase(checked));
    if (common) {
      throw new RefusedException("name", "'" + checked + "'", "another name than a common one");
    }
    return checked;
  }

  @DeleteMapping("/{name}")
  @Needs(Right.CHANGE_PRODUCTION)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes a sensor out of what a production keeps")
  void remove(@PathVariable long production, @PathVariable String name) {
    sensors.remove(production, name);
  }
}
