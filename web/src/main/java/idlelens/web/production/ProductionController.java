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
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
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
}
