package idlelens.web.database;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Says whether the application and its database answer. */
@RestController
@Tag(name = "Health")
class HealthController {
  private final DSLContext sql;

  HealthController(DSLContext sql) {
    this.sql = sql;
  }

  @GetMapping("/api/health")
  @Operation(summary = "Answers while application and database do")
  Map<String, String> health() {
    sql.selectOne().fetch();
    return Map.of("status", "up");
  }
}
