package idlelens.web.shot;

import static idlelens.web.database.schema.Tables.ASSET;
import static idlelens.web.database.schema.Tables.ASSET_USE;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Mesh;
import idlelens.core.set.Shape;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.mesh.MeshOctets;
import idlelens.web.problem.NotFoundException;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Triangles that came from files, stored once by their content. */
@Repository
public class AssetRepository {
  private final DSLContext sql;
  private final Clock clock;

  AssetRepository(DSLContext sql, Clock clock) {
    this.sql = sql;
    this.clock = clock;
  }

  /** Stores assets for a production; those already there are kept as they are. */
  @Transactional
  public void put(long productionId, Map<String, byte[]> assets) {
    assets.forEach(
        (hash, content) -> {
          if (!MeshOctets.hash(content).equals(hash)) {
            throw new RefusedException("assets." + hash, "other content", "content of that hash");
          }
          sql.insertInto(ASSET)
              .set(ASSET.SHA256, hash)
              .set(ASSET.CONTENT, content)
              .set(ASSET.CREATED_AT, LocalDateTime.now(clock))
              .onDuplicateKeyIgnore()
              .execute();
          sql.insertInto(ASSET_USE)
              .set(ASSET_USE.PRODUCTION_ID, productionId)
              .set(ASSET_USE.SHA256, hash)
              .onDuplicateKeyIgnore()
              .execute();
        });
  }

  public byte[] content(String hash) {
    return sql.select(ASSET.CONTENT)
        .from(ASSET)
        .where(ASSET.SHA256.eq(hash))
        .fetchOptional(ASSET.CONTENT)
        .orElseThrow(() -> new NotFoundException("Asset " + hash));
  }

  /** The stored triangles of that hash. */
  public Mesh mesh(String hash) {
    try {
      return MeshOctets.read(content(hash));
    } catch (FormatException e) {
      throw new IllegalStateException("A stored asset cannot be read: " + e.getMessage(), e);
    }
  }

  /** All assets that a shot needs. */
  public Map<String, byte[]> of(Shot shot) {
    Map<String, byte[]> assets = new LinkedHashMap<>();
    for (Node node : shot.nodes()) {
      if (node instanceof Node.Piece piece && piece.shape() instanceof Shape.Imported imported) {
        assets.computeIfAbsent(imported.asset(), this::content);
      }
    }
    return assets;
  }

  /** Refuses a shot that names assets which its production does not have. */
  public void require(long productionId, Iterable<Node> nodes) {
    for (Node node : nodes) {
      if (node instanceof Node.Piece piece
          && piece.shape() instanceof Shape.Imported imported
          && !sql.fetchExists(
              sql.selectFrom(ASSET_USE)
                  .where(ASSET_USE.PRODUCTION_ID.eq(productionId))
                  .and(ASSET_USE.SHA256.eq(imported.asset())))) {
        throw new RefusedException(
            node.name() + ".shape.asset", imported.asset(), "an asset of this production");
      }
    }
  }
}
