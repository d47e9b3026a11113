package idlelens.web.problem;

import idlelens.core.rule.RefusedException;
import idlelens.exchange.format.FormatException;
import org.jooq.exception.DataAccessException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/** Turns exceptions into problems that say what was wrong, where, and what is allowed. */
@RestControllerAdvice
class ProblemAdvice extends ResponseEntityExceptionHandler {
  private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

  @ExceptionHandler
  ProblemDetail refused(RefusedException e) {
    return value("Not allowed", e.getMessage(), e.where(), e.found(), e.allowed());
  }

  @ExceptionHandler
  ProblemDetail unreadable(FormatException e) {
    return value("Not readable", e.getMessage(), e.where(), e.found(), e.allowed());
  }

  private static ProblemDetail value(
      String title, String detail, String where, String found, String allowed) {
    ProblemDetail problem =
        ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, detail);
    problem.setTitle(title);
    problem.setProperty("where", where);
    problem.setProperty("found", found);
    problem.setProperty("allowed", allowed);
    return problem;
  }

  @ExceptionHandler
  ProblemDetail missing(NotFoundException e) {
    return ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, e.getMessage());
  }

  @ExceptionHandler
  ProblemDetail conflict(ConflictException e) {
    ProblemDetail problem = ProblemDetail.forStatusAndDetail(HttpStatus.CONFLICT, e.getMessage());
    problem.setTitle("Changed at the same time");
    e.details().forEach(problem::setProperty);
    return problem;
  }

  @ExceptionHandler({
    DataAccessException.class,
    DataAccessResourceFailureException.class,
    org.springframework.dao.DataAccessException.class,
    TransactionException.class
  })
  ProblemDetail notStored(RuntimeException e) {
    LOG.error("The database did not take or give data; the change was not saved", e);
    boolean full = causes(e).contains("is full") || causes(e).contains("No space left");
    ProblemDetail problem =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.SERVICE_UNAVAILABLE,
            full
                ? "The disk of the database is full: this change was not saved, all before it is."
                    + " Make room, then try again"
                : "The database does not answer: this change was not saved, all before it is."
                    + " It is tried again by itself");
    problem.setTitle(full ? "Disk full" : "Not saved");
    problem.setProperty("retry", !full);
    return problem;
  }

  private static String causes(Throwable e) {
    StringBuilder text = new StringBuilder();
    for (Throwable t = e; t != null && text.length() < 5000; t = t.getCause()) {
      text.append(t.getMessage()).append('\n');
    }
    return text.toString();
  }

  @Override
  protected ResponseEntity<Object> handleMaxUploadSizeExceededException(
      MaxUploadSizeExceededException e,
      org.springframework.http.HttpHeaders headers,
      org.springframework.http.HttpStatusCode status,
      org.springframework.web.context.request.WebRequest request) {
    ProblemDetail problem =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.CONTENT_TOO_LARGE, "The file is too large; allowed: at most 64 MB");
    return ResponseEntity.status(HttpStatus.CONTENT_TOO_LARGE).body(problem);
  }
}
