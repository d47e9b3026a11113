package idlelens.web.feel;

import static idlelens.web.database.schema.Tables.KEPT_FEEL;

import idlelens.web.database.Transactions;
import idlelens.web.kept.KeptRepository;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** The feels that productions keep. */
@Repository
class FeelRepository {
  private static final int MOST = 200;

  private final KeptRepository kept;

  FeelRepository(DSLContext sql, Transactions transactions) {
    this.kept = new KeptRepository(sql, transactions, KEPT_FEEL, "feel", MOST);
  }

  /** A feel: its name and its layers as JSON. */
  record Kept(String name, String layers) {}

  List<Kept> of(long productionId) {
    return kept.all(
        productionId,
        List.of(KEPT_FEEL.NAME, KEPT_FEEL.LAYERS),
        r -> new Kept(r.get(KEPT_FEEL.NAME), r.get(KEPT_FEEL.LAYERS)));
  }

  /** Keeps a feel, in place of the one of its name. */
  void keep(long productionId, String name, String layers) {
    kept.keep(productionId, name, Map.of(KEPT_FEEL.LAYERS, layers));
  }

  void remove(long productionId, String name) {
    kept.remove(productionId, name);
  }
}
