package idlelens.web.production;

import idlelens.core.rule.Require;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonLimits;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.access.Visitor;
import idlelens.web.request.RequestId;
import idlelens.web.request.RequestRepository;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Productions by API. */
@RestController
@RequestMapping("/api/productions")
@Tag(name = "Productions")
class ProductionController {
  private final ProductionRepository productions;
  private final RequestRepository requests;

  ProductionController(ProductionRepository productions, RequestRepository requests) {
    this.productions = productions;
    this.requests = requests;
  }

  @GetMapping
  @Needs(Right.ACCOUNT)
  @Operation(summary = "The productions of the account")
  List<ProductionRepository.Production> list(@AuthenticationPrincipal Visitor visitor) {
    return productions.of(visitor.id());
  }

  @PostMapping
  @Needs(Right.ACCOUNT)
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Adds a production: {\"name\": ...}")
  Map<String, Object> add(
      @AuthenticationPrincipal Visitor visitor,
      @RequestBody byte[] body,
      HttpServletRequest request)
      throws FormatException {
    JsonPlace place = JsonPlace.parse(body, JsonLimits.SMALL).only("name");
    String name = Require.name(place.get("name").text(), 120, "name");
    return requests.once(
        visitor.id(),
        RequestId.of(request),
        "a production",
        () -> Map.of("id", productions.add(name, visitor.id()), "name", name));
  }

  @PutMapping("/{production}")
  @Needs(Right.MANAGE_PRODUCTION)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Gives a production another name: {\"name\": ...}")
  void rename(@PathVariable long production, @RequestBody byte[] body) throws FormatException {
    JsonPlace place = JsonPlace.parse(body, JsonLimits.SMALL).only("name");
    productions.rename(production, Require.name(place.get("name").text(), 120, "name"));
  }

  @DeleteMapping("/{production}")
  @Needs(Right.MANAGE_PRODUCTION)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Deletes a production with its shots; it can be put back")
  void delete(@PathVariable long production) {
    productions.delete(production);
  }

  @PostMapping("/{production}/restore")
  @Needs(Right.RESTORE_PRODUCTION)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Puts a deleted production back, with its shots as they were")
  void putBack(@PathVariable long production) {
    productions.putBack(production);
  }
}
