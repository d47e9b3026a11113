package idlelens.web.member;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.access.MembershipRepository;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.access.Role;
import idlelens.web.shot.ShotEvents;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Members of productions by API. */
@RestController
@Tag(name = "Members")
class MemberController {
  private final MembershipRepository memberships;
  private final ShotEvents events;

  MemberController(MembershipRepository memberships, ShotEvents events) {
    this.memberships = memberships;
    this.events = events;
  }

  @GetMapping("/api/productions/{production}/members")
  @Needs(Right.READ_PRODUCTION)
  @Operation(summary = "Who belongs to a production, and as what")
  List<MembershipRepository.Member> list(@PathVariable long production) {
    return memberships.members(production);
  }

  @PutMapping("/api/productions/{production}/members/{name}")
  @Needs(Right.MANAGE_PRODUCTION)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(
      summary = "Gives an account a role in a production",
      description = "Body: role (viewer, artist or owner).")
  void put(@PathVariable long production, @PathVariable String name, @RequestBody byte[] body)
      throws FormatException {
    JsonPlace place = JsonPlace.parse(body, JsonLimits.SMALL).only("role");
    memberships.put(production, name, Role.of(place.get("role").text()));
  }

  @DeleteMapping("/api/productions/{production}/members/{name}")
  @Needs(Right.MANAGE_PRODUCTION)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes an account out of a production; its windows hear no more at once")
  void remove(@PathVariable long production, @PathVariable String name) {
    long account = memberships.remove(production, name);
    events.endMembership(account, production);
  }
}
