package idlelens.web.account;

import idlelens.web.access.Visitor;
import java.io.Serializable;
import java.security.Principal;

/**
 * The account that is logged in.
 *
 * @param passwordHash of the password it logged in with; once the account has another, the log-in
 *     is over
 */
public record AccountUser(long id, String name, String shownName, String passwordHash)
    implements Visitor, Principal, Serializable {
  @Override
  public String proof() {
    return passwordHash;
  }

  @Override
  public String getName() {
    return name;
  }

  @Override
  public String toString() {
    return "AccountUser[" + id + ", " + name + "]";
  }
}
