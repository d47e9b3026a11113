package idlelens.web.production;

import idlelens.core.rule.Require;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.account.AccountUser;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
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

  ProductionController(ProductionRepository productions) {
    this.productions = productions;
  }

  @GetMapping
  @Operation(summary = "The productions of the account")
  List<ProductionRepository.Production> list(@AuthenticationPrincipal AccountUser account) {
    return productions.of(account.id());
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Adds a production: {\"name\": ...}")
  Map<String, Object> add(@AuthenticationPrincipal AccountUser account, @RequestBody byte[] body)
      throws FormatException {
    JsonPlace place = JsonPlace.parse(body).only("name");
    String name = Require.name(place.get("name").text(), 120, "name");
    return Map.of("id", productions.add(name, account.id()), "name", name);
  }
}
