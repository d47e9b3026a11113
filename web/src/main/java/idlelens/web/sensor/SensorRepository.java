package idlelens.web.sensor;

import static idlelens.web.database.schema.Tables.KEPT_SENSOR;

import idlelens.core.lens.FilmBack;
import idlelens.web.database.Transactions;
import idlelens.web.kept.KeptRepository;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** The sensors that productions keep. */
@Repository
class SensorRepository {
  private static final int MOST = 200;

  private final KeptRepository kept;

  SensorRepository(DSLContext sql, Transactions transactions) {
    this.kept = new KeptRepository(sql, transactions, KEPT_SENSOR, "sensor", MOST);
  }

  /** A sensor under its name. */
  record Kept(String name, FilmBack back) {}

  List<Kept> of(long productionId) {
    return kept.all(
        productionId,
        List.of(KEPT_SENSOR.NAME, KEPT_SENSOR.WIDTH_MM, KEPT_SENSOR.HEIGHT_MM),
        r ->
            new Kept(
                r.get(KEPT_SENSOR.NAME),
                new FilmBack(r.get(KEPT_SENSOR.WIDTH_MM), r.get(KEPT_SENSOR.HEIGHT_MM))));
  }

  /** Keeps a sensor, in place of the one of its name. */
  void keep(long productionId, Kept sensor) {
    FilmBack back = sensor.back();
    kept.keep(
        productionId,
        sensor.name(),
        Map.of(KEPT_SENSOR.WIDTH_MM, back.widthMm(), KEPT_SENSOR.HEIGHT_MM, back.heightMm()));
  }

  void remove(long productionId, String name) {
    kept.remove(productionId, name);
  }
}
