package idlelens.web.access;

/** An account's part in a production. */
public record Membership(long productionId, Role role) {
  /** Where the membership that let a request in is kept, as an attribute of the request. */
  public static final String ATTRIBUTE = "idlelens.membership";
}
