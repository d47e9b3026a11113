package idlelens.web.answer;

import java.util.Optional;
import org.springframework.beans.TypeMismatchException;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/** Answers calls of the API with problems. */
@RestControllerAdvice(annotations = RestController.class)
@Order(1)
class ApiProblems extends ResponseEntityExceptionHandler {
  private final Problems problems;

  ApiProblems(Problems problems) {
    this.problems = problems;
  }

  @ExceptionHandler(Throwable.class)
  ResponseEntity<Object> other(Throwable e) throws Throwable {
    Optional<ProblemDetail> known = problems.of(e);
    if (known.isEmpty()) {
      throw e;
    }
    return answer(known.get());
  }

  @Override
  protected ResponseEntity<Object> handleTypeMismatch(
      TypeMismatchException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
    return answer(problems.of(Unreadable.of(e)).orElseThrow());
  }

  @Override
  protected ResponseEntity<Object> handleMethodArgumentNotValid(
      MethodArgumentNotValidException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    return answer(problems.of(Unreadable.of(e)).orElseThrow());
  }

  private static ResponseEntity<Object> answer(ProblemDetail problem) {
    ResponseEntity.BodyBuilder answer =
        ResponseEntity.status(problem.getStatus()).contentType(MediaType.APPLICATION_PROBLEM_JSON);
    if (problem.getStatus() == HttpStatus.TOO_MANY_REQUESTS.value()) {
      answer.header(HttpHeaders.RETRY_AFTER, "1");
    }
    return answer.body(problem);
  }

  @Override
  protected ResponseEntity<Object> handleExceptionInternal(
      Exception e, Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
    ResponseEntity<Object> usual = super.handleExceptionInternal(e, body, headers, status, request);
    return usual == null || usual.getBody() == null
        ? usual
        : ResponseEntity.status(usual.getStatusCode())
            .headers(usual.getHeaders())
            .contentType(MediaType.APPLICATION_PROBLEM_JSON)
            .body(usual.getBody());
  }
}
