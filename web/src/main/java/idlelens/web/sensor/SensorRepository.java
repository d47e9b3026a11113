package idlelens.web.sensor;

import static idlelens.web.database.schema.Tables.KEPT_SENSOR;

import idlelens.core.lens.FilmBack;
import idlelens.core.rule.RefusedException;
import idlelens.web.database.Transactions;
import idlelens.web.problem.NotFoundException;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** The sensors that productions keep. */
@Repository
class SensorRepository {
  /** The most that a production keeps. */
  static final int MOST = 200;

  private final DSLContext sql;
  private final Transactions transactions;

  SensorRepository(DSLContext sql, Transactions transactions) {
    this.sql = sql;
    this.transactions = transactions;
  }

  /** A sensor under its name. */
  record Kept(String name, FilmBack back) {}

  List<Kept> of(long productionId) {
    return sql.select(KEPT_SENSOR.NAME, KEPT_SENSOR.WIDTH_MM, KEPT_SENSOR.HEIGHT_MM)
        .from(KEPT_SENSOR)
        .where(KEPT_SENSOR.PRODUCTION_ID.eq(productionId))
        .orderBy(KEPT_SENSOR.NAME)
        .fetch(r -> new Kept(r.value1(), new FilmBack(r.value2(), r.value3())));
  }

  /** Keeps a sensor, in place of the one of its name. */
  void keep(long productionId, Kept sensor) {
    transactions.write(
        () -> {
          sql.insertInto(KEPT_SENSOR)
              .set(KEPT_SENSOR.PRODUCTION_ID, productionId)
              .set(KEPT_SENSOR.NAME, sensor.name())
              .set(KEPT_SENSOR.WIDTH_MM, sensor.back().widthMm())
              .set(KEPT_SENSOR.HEIGHT_MM, sensor.back().heightMm())
              .onDuplicateKeyUpdate()
              .set(KEPT_SENSOR.WIDTH_MM, sensor.back().widthMm())
              .set(KEPT_SENSOR.HEIGHT_MM, sensor.back().heightMm())
              .execute();
          int count = sql.fetchCount(KEPT_SENSOR, KEPT_SENSOR.PRODUCTION_ID.eq(productionId));
          if (count > MOST) {
            throw new RefusedException(
                "sensors.count", count, "up to " + MOST + " in a production");
          }
          return count;
        });
  }

  void remove(long productionId, String name) {
    int rows =
        transactions.write(
            () ->
                sql.deleteFrom(KEPT_SENSOR)
                    .where(KEPT_SENSOR.PRODUCTION_ID.eq(productionId))
                    .and(KEPT_SENSOR.NAME.eq(name))
                    .execute());
    if (rows == 0) {
      throw new NotFoundException("a sensor named '" + name + "'");
    }
  }
}
