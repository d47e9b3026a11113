package idlelens.web.answer;

import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import tools.jackson.databind.json.JsonMapper;

/** What the server itself refuses, or what failed on the way: a problem, or a page. */
@Controller
@Hidden
class ErrorController implements org.springframework.boot.webmvc.error.ErrorController {
  private final JsonMapper mapper;
  private final Problems problems;

  ErrorController(JsonMapper mapper, Problems problems) {
    this.mapper = mapper;
    this.problems = problems;
  }

  @RequestMapping("/error")
  @Needs(Right.ANYONE)
  ModelAndView error(HttpServletRequest request, HttpServletResponse response) throws IOException {
    if (response.isCommitted()) {
      return null; // the other side is gone, or has had half of it
    }
    ProblemDetail problem = problem(request);
    response.setStatus(problem.getStatus());
    String path = String.valueOf(request.getAttribute(RequestDispatcher.ERROR_REQUEST_URI));
    if (!path.startsWith("/api/")) {
      return PageProblems.page(problem.getStatus(), problem.getDetail());
    }
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response.getOutputStream().write(mapper.writeValueAsBytes(problem));
    return null;
  }

  /** What is known of the cause, such as a database that is gone; else what the status says. */
  private ProblemDetail problem(HttpServletRequest request) {
    Throwable cause = (Throwable) request.getAttribute(RequestDispatcher.ERROR_EXCEPTION);
    for (Throwable t = cause; t != null; t = t.getCause()) {
      Optional<ProblemDetail> known = problems.of(t);
      if (known.isPresent()) {
        return known.get();
      }
    }
    Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
    HttpStatus status =
        code instanceof Integer number ? HttpStatus.valueOf(number) : HttpStatus.NOT_FOUND;
    return Problems.problem(status, status.getReasonPhrase(), words(status));
  }

  private static String words(HttpStatus status) {
    return switch (status) {
      case NOT_FOUND -> "Nothing is at this address";
      case FORBIDDEN ->
          "This page was open for too long, or was opened from elsewhere. Load it again, then try"
              + " once more";
      case METHOD_NOT_ALLOWED -> "This address does not take that method";
      case INTERNAL_SERVER_ERROR ->
          "Something went wrong here, which is our fault; the log has the reason. Work that was"
              + " said to be saved is saved";
      default -> status.getReasonPhrase();
    };
  }
}
