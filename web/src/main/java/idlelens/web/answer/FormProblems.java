package idlelens.web.answer;

import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.multipart.MultipartException;

/** Forms that cannot be read, which is found out before it is known whose they are. */
@RestControllerAdvice
@Order(0) // before what answers pages, which takes all that is left
class FormProblems {
  @ExceptionHandler(MultipartException.class)
  ProblemDetail unreadable(MultipartException e) {
    return Problems.problem(
        HttpStatus.BAD_REQUEST,
        "Not readable",
        "The form cannot be read; allowed: multipart/form-data with a boundary, at most 40 parts");
  }
}
