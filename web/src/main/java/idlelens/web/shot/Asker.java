package idlelens.web.shot;

/**
 * Who asks for a change.
 *
 * @param accountId the account
 * @param productionId the production in which it may do so
 * @param window the window it works in, or null
 * @param request the id of the request, the same each time it is sent again; or null
 */
public record Asker(long accountId, long productionId, String window, String request) {
  /** The header that names the window, so that it is not told of its own edits. */
  static final String WINDOW = "Idle-Lens-Window";
}
