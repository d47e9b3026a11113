package idlelens.web.shot;

import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.access.Visitor;
import idlelens.web.wire.Pieces;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What happens to a shot, as it happens. */
@RestController
@Tag(name = "Events")
class EventController {
  private static final int MOST_WINDOW_NAME = 64;

  private final ShotEvents events;
  private final ShotRepository shots;

  EventController(ShotEvents events, ShotRepository shots) {
    this.events = events;
    this.shots = shots;
  }

  @GetMapping("/api/shots/{id}/events")
  @Needs(Right.READ_SHOT)
  @Operation(
      summary = "Server-sent events: revision, people",
      description =
          "Ends when the log-in or the membership does, or the shot is deleted; whoever does not"
              + " read is let go.")
  ResponseEntity<Pieces> events(
      @AuthenticationPrincipal Visitor visitor,
      @PathVariable long id,
      @RequestParam(defaultValue = "") String window,
      HttpServletRequest request) {
    if (request.getMethod().equals("HEAD")) {
      return ResponseEntity.ok().contentType(MediaType.TEXT_EVENT_STREAM).build();
    }
    HttpSession session = request.getSession(false);
    String name =
        window.length() > MOST_WINDOW_NAME ? window.substring(0, MOST_WINDOW_NAME) : window;
    ShotEvents.Window listener =
        new ShotEvents.Window(id, name, visitor, session == null ? "" : session.getId());
    return ResponseEntity.ok()
        .contentType(MediaType.TEXT_EVENT_STREAM)
        .body(events.listen(listener, shots.revision(id)));
  }

  @DeleteMapping("/api/shots/{id}/events")
  @Needs(Right.READ_SHOT)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Says that a window no longer listens")
  void leave(
      @AuthenticationPrincipal Visitor visitor,
      @PathVariable long id,
      @RequestParam String window) {
    events.endWhere(
        w -> w.shotId() == id && w.name().equals(window) && w.accountId() == visitor.id());
  }
}
