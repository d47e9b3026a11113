package idlelens.web.access;

import java.util.Optional;

/** What a route asks of those who call it. */
public enum Right {
  /** Nothing, not even a log-in. */
  ANYONE(On.NOTHING, null),
  /** A log-in. */
  ACCOUNT(On.NOTHING, null),
  READ_PRODUCTION(On.PRODUCTION, Role.VIEWER),
  CHANGE_PRODUCTION(On.PRODUCTION, Role.ARTIST),
  MANAGE_PRODUCTION(On.PRODUCTION, Role.OWNER),
  /** For a production that is deleted, too. */
  RESTORE_PRODUCTION(On.DELETED_PRODUCTION, Role.OWNER),
  READ_SHOT(On.SHOT, Role.VIEWER),
  CHANGE_SHOT(On.SHOT, Role.ARTIST),
  DELETE_SHOT(On.SHOT, Role.OWNER),
  /** For a shot that is deleted, too. */
  RESTORE_SHOT(On.DELETED_SHOT, Role.OWNER);

  /** What a right is about, and which part of the address names it. */
  enum On {
    NOTHING(""),
    PRODUCTION("production"),
    DELETED_PRODUCTION("production"),
    SHOT("id"),
    DELETED_SHOT("id");

    private final String variable;

    On(String variable) {
      this.variable = variable;
    }

    String variable() {
      return variable;
    }
  }

  private final On on;
  private final Role role;

  Right(On on, Role role) {
    this.on = on;
    this.role = role;
  }

  On on() {
    return on;
  }

  /** The least role that has it; empty where no membership is asked for. */
  public Optional<Role> role() {
    return Optional.ofNullable(role);
  }
}
