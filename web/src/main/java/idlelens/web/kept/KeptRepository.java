package idlelens.web.kept;

import idlelens.core.rule.RefusedException;
import idlelens.web.database.Transactions;
import idlelens.web.problem.NotFoundException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.RecordMapper;
import org.jooq.Table;
import org.jooq.impl.DSL;

/** Things of one kind that productions keep, in a table with a production and a name. */
public final class KeptRepository {
  private final DSLContext sql;
  private final Transactions transactions;
  private final Table<?> table;
  private final Field<Long> production;
  private final Field<String> name;
  private final String kind;
  private final int most;

  /**
   * @param table with the columns {@code production_id} and {@code name}, unique together
   * @param kind what one of them is called
   * @param most how many a production may keep
   */
  public KeptRepository(
      DSLContext sql, Transactions transactions, Table<?> table, String kind, int most) {
    this.sql = sql;
    this.transactions = transactions;
    this.table = table;
    this.production = table.field("production_id", Long.class);
    this.name = table.field("name", String.class);
    this.kind = kind;
    this.most = most;
  }

  /** All that a production keeps, by name. */
  public <T> List<T> all(
      long productionId, List<? extends Field<?>> fields, RecordMapper<? super Record, T> made) {
    return sql.select(fields)
        .from(table)
        .where(production.eq(productionId))
        .orderBy(name)
        .fetch(made::map);
  }

  /** A field of what is kept under a name. */
  public <V> Optional<V> find(long productionId, String called, Field<V> field) {
    return sql.select(field).from(table).where(is(productionId, called)).fetchOptional(field);
  }

  /**
   * Keeps something, in place of what has its name.
   *
   * @param values by the fields of the table
   * @throws RefusedException if that would be more than a production may keep
   */
  public void keep(long productionId, String called, Map<? extends Field<?>, ?> values) {
    transactions.write(
        () -> {
          sql.insertInto(table)
              .set(production, productionId)
              .set(name, called)
              .set(values)
              .onDuplicateKeyUpdate()
              .set(values)
              .execute();
          int count = sql.fetchCount(table, production.eq(productionId));
          if (count > most) {
            throw new RefusedException(
                kind + "s.count", count, "up to " + most + " in a production");
          }
        });
  }

  /** Keeps something no more. */
  public void remove(long productionId, String called) {
    int rows =
        transactions.write(() -> sql.deleteFrom(table).where(is(productionId, called)).execute());
    if (rows == 0) {
      throw none(called);
    }
  }

  /** What is said where nothing is kept under a name. */
  public NotFoundException none(String called) {
    return new NotFoundException("a " + kind + " named '" + called + "'");
  }

  private Condition is(long productionId, String called) {
    return DSL.and(production.eq(productionId), name.eq(called));
  }
}
