package idlelens.web.database;

import org.jooq.DSLContext;
import org.springframework.stereotype.Component;

/** Asks the database for nothing, to see whether it answers. */
@Component
public class DatabasePulse {
  private final DSLContext sql;

  DatabasePulse(DSLContext sql) {
    this.sql = sql;
  }

  public boolean isThere() {
    try {
      sql.selectOne().fetch();
      return true;
    } catch (RuntimeException e) {
      return false;
    }
  }
}
