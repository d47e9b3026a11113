package idlelens.web.work;

import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.access.Visitor;
import idlelens.web.problem.NotFoundException;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What an account waits for: told, and stopped when asked. */
@RestController
@Tag(name = "Work")
class WorkController {
  private final Works works;

  WorkController(Works works) {
    this.works = works;
  }

  @GetMapping("/api/running")
  @Needs(Right.ACCOUNT)
  @Operation(
      summary = "What you asked for and still wait for",
      description =
          "Each with its id (that of the request), its stage, and how much is done, 0 to 1.")
  List<Work.Told> list(@AuthenticationPrincipal Visitor visitor) {
    return works.of(visitor.id());
  }

  @DeleteMapping("/api/running/{work}")
  @Needs(Right.ACCOUNT)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(
      summary = "Stops something you asked for",
      description = "Nothing of it is saved. What is being stored already can not be stopped.")
  void stop(@AuthenticationPrincipal Visitor visitor, @PathVariable String work) {
    if (!works.stop(visitor.id(), work)) {
      throw new NotFoundException("Work " + work);
    }
  }
}
