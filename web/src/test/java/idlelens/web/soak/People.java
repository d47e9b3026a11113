package idlelens.web.soak;

import static idlelens.web.database.schema.Tables.ACCOUNT;
import static idlelens.web.database.schema.Tables.MEMBERSHIP;

import idlelens.web.app.RunningApp;
import idlelens.web.database.StandaloneDatabase;
import java.io.IOException;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;

/** Artists of the demo production, added straight into the database. */
final class People {
  private static final String PASSWORD = "walks-the-quay";

  private People() {}

  /** Adds some, and gives the Basic header of each. */
  static List<String> join(RunningApp app, String stem, int count) throws IOException {
    String hash = "{bcrypt}" + new BCryptPasswordEncoder(4).encode(PASSWORD);
    List<String> headers = new ArrayList<>();
    long production = app.demoProduction();
    Map<String, String> environment =
        Map.of("IDLE_LENS_VAR", app.databaseFolder().getParent().toString());
    try (StandaloneDatabase database = StandaloneDatabase.open(environment)) {
      for (int i = 0; i < count; i++) {
        add(database.sql(), production, stem + i, hash);
        headers.add(RunningApp.basic(stem + i, PASSWORD));
      }
    }
    return headers;
  }

  private static void add(DSLContext sql, long production, String name, String hash) {
    long id =
        sql.insertInto(ACCOUNT)
            .set(ACCOUNT.NAME, name)
            .set(ACCOUNT.SHOWN_NAME, name)
            .set(ACCOUNT.PASSWORD_HASH, hash)
            .set(ACCOUNT.CREATED_AT, LocalDateTime.now())
            .returning(ACCOUNT.ID)
            .fetchOne()
            .getId();
    sql.insertInto(MEMBERSHIP)
        .set(MEMBERSHIP.ACCOUNT_ID, id)
        .set(MEMBERSHIP.PRODUCTION_ID, production)
        .set(MEMBERSHIP.ROLE, "artist")
        .execute();
  }
}
