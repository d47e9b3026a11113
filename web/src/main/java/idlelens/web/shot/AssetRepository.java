package idlelens.web.shot;

import static idlelens.web.database.schema.Tables.ASSET;
import static idlelens.web.database.schema.Tables.ASSET_USE;

import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.set.Mesh;
import idlelens.core.set.Mesher;
import idlelens.core.set.Shape;
import idlelens.exchange.format.ContentHash;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.mesh.MeshOctets;
import idlelens.web.database.Transactions;
import idlelens.web.problem.DamagedException;
import idlelens.web.problem.NotFoundException;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** Triangles that came from files and pictures for cards, stored once by their content. */
@Repository
public class AssetRepository {
  /** As much of an asset as tells of which kind it is. */
  private static final Field<byte[]> HEAD =
      DSL.field("left({0}, {1})", byte[].class, ASSET.CONTENT, DSL.inline(MeshOctets.HEAD));

  private final DSLContext sql;
  private final Transactions transactions;
  private final Clock clock;

  AssetRepository(DSLContext sql, Transactions transactions, Clock clock) {
    this.sql = sql;
    this.transactions = transactions;
    this.clock = clock;
  }

  /**
   * Stores assets for a production; those already there are kept as they are. All are read before
   * any is kept.
   *
   * @throws RefusedException if one is neither triangles nor a picture, or not those of its hash
   */
  public void put(long productionId, Map<String, byte[]> assets) {
    assets.forEach(AssetContent::check);
    transactions.write(
        () -> {
          LocalDateTime now = LocalDateTime.now(clock);
          assets.forEach((hash, content) -> insert(productionId, hash, content, now));
        });
  }

  private void insert(long productionId, String hash, byte[] content, LocalDateTime now) {
    sql.insertInto(ASSET)
        .set(ASSET.SHA256, hash)
        .set(ASSET.CONTENT, content)
        .set(ASSET.CREATED_AT, now)
        .onDuplicateKeyUpdate()
        .set(ASSET.CREATED_AT, now) // it is used again, and not to be swept away meanwhile
        .execute();
    sql.insertInto(ASSET_USE)
        .set(ASSET_USE.PRODUCTION_ID, productionId)
        .set(ASSET_USE.SHA256, hash)
        .onDuplicateKeyIgnore()
        .execute();
  }

  /** The hashes of all assets that were last brought in before a time. */
  Set<String> broughtInBefore(LocalDateTime time) {
    return new HashSet<>(
        sql.select(ASSET.SHA256).from(ASSET).where(ASSET.CREATED_AT.lt(time)).fetch(ASSET.SHA256));
  }

  /**
   * Removes assets, unless they were brought in again since.
   *
   * @return how many went
   */
  int remove(Set<String> hashes, LocalDateTime before) {
    return transactions.write(
        () -> {
          List<String> old =
              sql.select(ASSET.SHA256)
                  .from(ASSET)
                  .where(ASSET.SHA256.in(hashes))
                  .and(ASSET.CREATED_AT.lt(before))
                  .forUpdate()
                  .fetch(ASSET.SHA256);
          sql.deleteFrom(ASSET_USE).where(ASSET_USE.SHA256.in(old)).execute();
          return sql.deleteFrom(ASSET).where(ASSET.SHA256.in(old)).execute();
        });
  }

  /**
   * The octets of an asset.
   *
   * @throws DamagedException if they are not what was stored
   */
  private byte[] content(String hash) {
    byte[] content =
        sql.select(ASSET.CONTENT)
            .from(ASSET)
            .where(ASSET.SHA256.eq(hash))
            .fetchOptional(ASSET.CONTENT)
            .orElseThrow(() -> new NotFoundException("Asset " + hash));
    if (!ContentHash.of(content).equals(hash)) {
      throw new DamagedException("Asset " + hash, "its SHA-256 is another one");
    }
    return content;
  }

  /** The triangles of any shape: those made, and those stored. */
  public Mesh meshOf(Shape shape) {
    return shape instanceof Shape.Imported imported ? mesh(imported.asset()) : Mesher.mesh(shape);
  }

  /** The stored triangles of that hash. */
  public Mesh mesh(String hash) {
    try {
      return MeshOctets.read(content(hash));
    } catch (FormatException e) {
      throw new DamagedException("Asset " + hash, e.getMessage());
    }
  }

  /**
   * A picture of a production.
   *
   * @throws NotFoundException if it has none of that hash
   */
  byte[] picture(long productionId, String hash) {
    boolean known =
        sql.fetchExists(
            ASSET_USE, ASSET_USE.PRODUCTION_ID.eq(productionId), ASSET_USE.SHA256.eq(hash));
    byte[] content = known ? content(hash) : new byte[0];
    if (!known || MeshOctets.isMesh(content)) {
      throw new NotFoundException("Picture " + hash);
    }
    return content;
  }

  /** All assets that a shot needs. */
  public Map<String, byte[]> of(Shot shot) {
    Map<String, byte[]> assets = new LinkedHashMap<>();
    AssetUse.of(shot.nodes()).forEach(use -> assets.computeIfAbsent(use.hash(), this::content));
    return assets;
  }

  /** Refuses nodes that need assets which their production does not have, or of another kind. */
  public void require(long productionId, Iterable<Node> nodes) {
    List<AssetUse> uses = AssetUse.of(nodes);
    if (uses.isEmpty()) {
      return;
    }
    Set<String> hashes = uses.stream().map(AssetUse::hash).collect(Collectors.toSet());
    Map<String, byte[]> heads =
        sql.select(ASSET.SHA256, HEAD)
            .from(ASSET)
            .join(ASSET_USE)
            .on(ASSET_USE.SHA256.eq(ASSET.SHA256))
            .where(ASSET_USE.PRODUCTION_ID.eq(productionId))
            .and(ASSET.SHA256.in(hashes))
            .fetchMap(ASSET.SHA256, HEAD);
    for (AssetUse use : uses) {
      byte[] head = heads.get(use.hash());
      if (head == null || MeshOctets.isMesh(head) != use.triangles()) {
        throw new RefusedException(use.place(), use.hash(), use.allowed());
      }
    }
  }
}
