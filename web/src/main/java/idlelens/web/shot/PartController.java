package idlelens.web.shot;

import idlelens.exchange.json.JsonPlace;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** What a chain can be made of. */
@RestController
@Tag(name = "Shots")
class PartController {
  private static final byte[] PARTS = JsonPlace.mapper().writeValueAsBytes(PartKindJson.all());

  @GetMapping("/api/parts")
  @Needs(Right.ACCOUNT)
  @Operation(
      summary = "The kinds of part that a chain is made of",
      description =
          "Each with its slot (own, space, world, lens), the kinds of node that may have it, and"
              + " its parameters; and the families of these with unit, digits, step of an arrow key"
              + " and the deviation that is let pass.")
  ResponseEntity<byte[]> parts() {
    return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(PARTS);
  }
}
