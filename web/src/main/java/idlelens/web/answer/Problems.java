package idlelens.web.answer;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.StoppedException;
import idlelens.exchange.format.FormatException;
import idlelens.web.database.DatabaseTrouble;
import idlelens.web.database.DatabaseWatch;
import idlelens.web.database.OutcomeUnknownException;
import idlelens.web.problem.ConflictException;
import idlelens.web.problem.DamagedException;
import idlelens.web.problem.ForbiddenException;
import idlelens.web.problem.LastOwnerException;
import idlelens.web.problem.NotFoundException;
import idlelens.web.problem.StoredException;
import idlelens.web.work.BusyException;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;

/** Says what was wrong, where, and what is allowed; and never more than is known. */
@Component
class Problems {
  private static final Logger LOG = LoggerFactory.getLogger(Problems.class);
  private static final String NOT_SAVED = ": this change was not saved, all before it is";

  private final DatabaseWatch watch;

  Problems(DatabaseWatch watch) {
    this.watch = watch;
  }

  /** The problem that an exception of ours is; empty for those of the framework. */
  Optional<ProblemDetail> of(Throwable e) {
    if (e instanceof RefusedException refused) {
      return value("Not allowed", e, refused.where(), refused.found(), refused.allowed());
    }
    if (e instanceof FormatException format) {
      return value("Not readable", e, format.where(), format.found(), format.allowed());
    }
    if (e instanceof ConflictException conflict) {
      ProblemDetail problem = problem(HttpStatus.CONFLICT, "Changed at the same time", e);
      conflict.details().forEach(problem::setProperty);
      return Optional.of(problem);
    }
    return plain(e).or(() -> stored(e));
  }

  private static Optional<ProblemDetail> plain(Throwable e) {
    if (e instanceof NotFoundException) {
      return Optional.of(problem(HttpStatus.NOT_FOUND, "Not there", e));
    }
    if (e instanceof ForbiddenException) {
      return Optional.of(problem(HttpStatus.FORBIDDEN, "Not for you", e));
    }
    if (e instanceof LastOwnerException) {
      return Optional.of(problem(HttpStatus.CONFLICT, "No owner left", e));
    }
    if (e instanceof BusyException) {
      return Optional.of(retry(problem(HttpStatus.TOO_MANY_REQUESTS, "Too much at once", e), true));
    }
    if (e instanceof StoredException) {
      LOG.error("A change was stored, but not answered", e);
      return Optional.of(
          retry(problem(HttpStatus.SERVICE_UNAVAILABLE, "Saved, not answered", e), true));
    }
    if (e instanceof StoppedException) {
      return Optional.of(problem(HttpStatus.SERVICE_UNAVAILABLE, "Stopped", e));
    }
    if (e instanceof DamagedException) {
      LOG.error("{}", e.getMessage());
      return Optional.of(problem(HttpStatus.INTERNAL_SERVER_ERROR, "Damaged", e));
    }
    if (e instanceof OutOfMemoryError) {
      LOG.error("A request needed more memory than there is; it was refused", e);
      return Optional.of(
          problem(
              HttpStatus.SERVICE_UNAVAILABLE,
              "Too much",
              "This needs more memory than the service has; nothing of it is saved. Ask for less"
                  + " at once"));
    }
    return Optional.empty();
  }

  /** What the database did not take or give. */
  private Optional<ProblemDetail> stored(Throwable e) {
    if (e instanceof OutcomeUnknownException) {
      LOG.error("The connection broke while something was stored", e);
      ProblemDetail unknown =
          problem(
              HttpStatus.SERVICE_UNAVAILABLE,
              "Not known yet",
              watch.state().words()
                  + ": whether this change was saved is not known yet. It is asked again by itself,"
                  + " and not made twice");
      return Optional.of(retry(unknown, true));
    }
    boolean ofDatabase =
        e instanceof org.jooq.exception.DataAccessException
            || e instanceof org.springframework.dao.DataAccessException
            || e instanceof org.springframework.transaction.TransactionException;
    return ofDatabase ? Optional.of(notStored(e)) : Optional.empty();
  }

  private ProblemDetail notStored(Throwable e) {
    LOG.error("The database did not take or give data; the change was not saved", e);
    DatabaseTrouble trouble = DatabaseTrouble.of(e);
    boolean full =
        trouble == DatabaseTrouble.FULL
            || trouble == DatabaseTrouble.LOST && watch.state().diskFull();
    if (full) {
      return trouble(
          "Disk full",
          "The disk of the database is full" + NOT_SAVED + ". Make room, then try again");
    }
    return switch (trouble) {
      case LOST ->
          retry(
              trouble(
                  "Not saved", watch.state().words() + NOT_SAVED + ". It is tried again by itself"),
              true);
      case LOCKED ->
          retry(
              trouble(
                  "Not saved",
                  "Others hold what this change needs"
                      + NOT_SAVED
                      + ". It is tried again by itself"),
              true);
      case TOO_LARGE ->
          trouble(
              "Too large for the database",
              "This is larger than the database takes at once"
                  + NOT_SAVED
                  + ". Its operator can raise max_allowed_packet");
      default ->
          trouble(
              "Not saved", "The database refused this" + NOT_SAVED + ". Its log has the reason");
    };
  }

  private static ProblemDetail trouble(String title, String detail) {
    return retry(problem(HttpStatus.SERVICE_UNAVAILABLE, title, detail), false);
  }

  private static ProblemDetail retry(ProblemDetail problem, boolean retry) {
    problem.setProperty("retry", retry);
    return problem;
  }

  static ProblemDetail problem(HttpStatus status, String title, Throwable e) {
    return problem(status, title, e.getMessage());
  }

  static ProblemDetail problem(HttpStatus status, String title, String detail) {
    ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
    problem.setTitle(title);
    return problem;
  }

  private static Optional<ProblemDetail> value(
      String title, Throwable e, String where, String found, String allowed) {
    ProblemDetail problem = problem(HttpStatus.UNPROCESSABLE_CONTENT, title, e);
    problem.setProperty("where", where);
    problem.setProperty("found", found);
    problem.setProperty("allowed", allowed);
    return Optional.of(problem);
  }
}
