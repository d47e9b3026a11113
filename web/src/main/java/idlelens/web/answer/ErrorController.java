package idlelens.web.answer;

import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
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

  ErrorController(JsonMapper mapper) {
    this.mapper = mapper;
  }

  @RequestMapping("/error")
  @Needs(Right.ANYONE)
  ModelAndView error(HttpServletRequest request, HttpServletResponse response) throws IOException {
    Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
    HttpStatus status =
        code instanceof Integer number ? HttpStatus.valueOf(number) : HttpStatus.NOT_FOUND;
    String path = String.valueOf(request.getAttribute(RequestDispatcher.ERROR_REQUEST_URI));
    if (!path.startsWith("/api/")) {
      response.setStatus(status.value());
      return PageProblems.page(status.value(), words(status));
    }
    ProblemDetail problem = Problems.problem(status, status.getReasonPhrase(), words(status));
    response.setStatus(status.value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response.getOutputStream().write(mapper.writeValueAsBytes(problem));
    return null;
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
