package idlelens.web.answer;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import org.springframework.core.annotation.Order;
import org.springframework.http.ProblemDetail;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.servlet.ModelAndView;

/** Answers visits of pages with a page. */
@ControllerAdvice
@Order(2)
class PageProblems {
  private final Problems problems;

  PageProblems(Problems problems) {
    this.problems = problems;
  }

  @ExceptionHandler(Throwable.class)
  ModelAndView other(Throwable e, HttpServletResponse response) throws Throwable {
    Optional<ProblemDetail> known = problems.of(e);
    if (known.isEmpty()) {
      throw e;
    }
    response.setStatus(known.get().getStatus());
    return page(known.get().getStatus(), known.get().getDetail());
  }

  static ModelAndView page(int status, String detail) {
    ModelAndView page = new ModelAndView("error");
    page.addObject("status", status);
    page.addObject("message", detail);
    return page;
  }
}
