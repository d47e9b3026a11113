package idlelens.web.handoff;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.profile.ProfileJson;
import idlelens.exchange.profile.ReceiverProfile;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.node.ObjectNode;

/** What receivers want, kept by a production for all its shots. */
@RestController
@RequestMapping("/api/productions/{production}/profiles")
@Tag(name = "Hand-off")
class ProfileController {
  private final ProfileRepository profiles;

  ProfileController(ProfileRepository profiles) {
    this.profiles = profiles;
  }

  @GetMapping
  @Needs(Right.READ_PRODUCTION)
  @Operation(
      summary = "The receiver profiles: those that came along, and those the production keeps")
  List<ObjectNode> list(@PathVariable long production) {
    return profiles.of(production).stream()
        .map(p -> ProfileJson.write(p.profile()).put("builtIn", p.builtIn()))
        .toList();
  }

  @PostMapping(consumes = MediaType.APPLICATION_JSON_VALUE)
  @Needs(Right.CHANGE_PRODUCTION)
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Keeps a receiver profile, in place of the one of its name")
  ObjectNode keep(@PathVariable long production, @RequestBody byte[] body) throws FormatException {
    ReceiverProfile profile = ProfileJson.read(JsonPlace.parse(body, JsonLimits.SMALL));
    profiles.keep(production, profile);
    return ProfileJson.write(profile).put("builtIn", false);
  }

  @DeleteMapping("/{name}")
  @Needs(Right.CHANGE_PRODUCTION)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Forgets a receiver profile that the production keeps")
  void forget(@PathVariable long production, @PathVariable String name) {
    profiles.forget(production, name);
  }
}
