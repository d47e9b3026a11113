package idlelens.web.database;

/** Says how the database is. */
@FunctionalInterface
public interface DatabaseWatch {
  DatabaseState state();
}
