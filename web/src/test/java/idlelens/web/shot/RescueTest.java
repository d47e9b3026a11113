package idlelens.web.shot;

import static idlelens.web.database.schema.Tables.ASSET;
import static idlelens.web.database.schema.Tables.SHOT_REVISION;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.rule.RefusedException;
import idlelens.core.set.Mesh;
import idlelens.exchange.format.ContentHash;
import idlelens.exchange.mesh.MeshOctets;
import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.Map;
import org.jooq.DSLContext;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;

/** What cannot be read, and what nobody uses. */
@ExtendWith(IdleLensExtension.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class RescueTest {
  private static final String RENAME = "{\"edit\":\"change-header\",\"name\":\"%s\"}";

  private RunningApp app;
  private DSLContext sql;

  @BeforeAll
  void takeApp(RunningApp running) {
    app = running;
    sql = app.bean(DSLContext.class);
  }

  private void damage(long shot, long revision) {
    sql.update(SHOT_REVISION)
        .set(SHOT_REVISION.DOCUMENT, new byte[] {'{', '}'})
        .where(SHOT_REVISION.SHOT_ID.eq(shot))
        .and(SHOT_REVISION.REVISION.eq(revision))
        .execute();
    app.bean(LiveShots.class).forget(shot);
  }

  @Test
  void aDamagedShot_isGivenOutAsStored_andSetBackToTheLastRevisionThatReads() throws Exception {
    long shot = app.copyOf("Two cameras");
    for (int i = 0; i < 4; i++) {
      assertThat(app.edit(shot, RENAME.formatted("Name " + i)).status()).isEqualTo(200);
    }
    byte[] third = app.get("/api/shots/" + shot + "?revision=3").body();
    damage(shot, 4);
    damage(shot, 5);
    assertThat(app.get("/api/shots/" + shot).status()).isEqualTo(500);
    assertThat(app.get("/api/shots/" + shot + "/stored").text()).contains("idle-lens/shot");
    RunningApp.Answer back = app.post("/api/shots/" + shot + "/set-back", "");
    assertThat(back.text()).isEqualTo("{\"revision\":6,\"as\":3}");
    app.bean(LiveShots.class).forget(shot);
    assertThat(app.get("/api/shots/" + shot).body()).isEqualTo(third);
    assertThat(app.post("/api/shots/" + shot + "/undo", "").status()).isEqualTo(409);
    assertThat(app.edit(shot, RENAME.formatted("On")).status()).isEqualTo(200);
    assertThat(app.post("/api/shots/" + shot + "/undo", "").status()).isEqualTo(200);
    app.bean(LiveShots.class).forget(shot);
    assertThat(app.get("/api/shots/" + shot).body()).isEqualTo(third);
    assertThat(app.get("/api/shots/" + shot + "/history").status()).isEqualTo(200);
  }

  @Test
  void aShotThatReads_isNotSetBack() {
    long shot = app.copyOf("Two cameras");
    RunningApp.Answer answer = app.post("/api/shots/" + shot + "/set-back", "");
    assertThat(answer.status()).isEqualTo(409);
    assertThat(answer.text()).contains("can be read; nothing is to be mended");
  }

  @Test
  void aTextThatDoesNotReadAsWhatItSays_isRefusedBeforeItIsStored() {
    byte[] text = app.get("/api/shots/" + app.copyOf("Two cameras")).body();
    RevisionRepository.requireReadable(text);
    byte[] other =
        new String(text, StandardCharsets.UTF_8)
            .replace("\"rate\"", " \"rate\"")
            .getBytes(StandardCharsets.UTF_8);
    assertThatThrownBy(() -> RevisionRepository.requireReadable(other))
        .isInstanceOf(RefusedException.class)
        .hasMessageContaining("could not be read again (it reads as another one)");
    assertThatThrownBy(() -> RevisionRepository.requireReadable(new byte[] {'{'}))
        .isInstanceOf(RefusedException.class)
        .hasMessageContaining("not JSON");
  }

  private String stored(float size) {
    Mesh mesh =
        new Mesh(
            new float[] {0, 0, 0, size, 0, 0, 0, size, 0},
            new float[] {0, 0, 1, 0, 0, 1, 0, 0, 1},
            new float[] {1, 1, 1},
            new int[] {0, 1, 2});
    byte[] octets = MeshOctets.write(mesh);
    String hash = ContentHash.of(octets);
    app.bean(AssetRepository.class).put(app.demoProduction(), Map.of(hash, octets));
    return hash;
  }

  private void isOld(String hash) {
    sql.update(ASSET)
        .set(ASSET.CREATED_AT, LocalDateTime.now().minusDays(3))
        .where(ASSET.SHA256.eq(hash))
        .execute();
  }

  private boolean isThere(String hash) {
    return sql.fetchExists(ASSET, ASSET.SHA256.eq(hash));
  }

  @Test
  void trianglesThatNoRevisionNames_leaveTheDatabase_othersStay() {
    long shot = app.copyOf("Two cameras");
    String used = stored(1);
    String unused = stored(2);
    String fresh = stored(3);
    String node =
        "{\"edit\":\"add-nodes\",\"nodes\":[{\"id\":\"sail\",\"name\":\"Sail\",\"kind\":\"piece\","
            + "\"shape\":{\"kind\":\"imported\",\"asset\":\"%s\",\"triangles\":1,"
            + "\"bounds\":[0,0,0,1,1,0]},\"finish\":{\"colour\":\"#c8c4bc\",\"kind\":\"matt\"}}]}";
    RunningApp.Answer added = app.edit(shot, node.formatted(used));
    assertThat(added.status()).as(added.text()).isEqualTo(200);
    app.post("/api/shots/" + shot + "/undo", ""); // it can be done again
    isOld(used);
    isOld(unused);
    app.bean(AssetSweep.class).sweep();
    assertThat(isThere(used)).isTrue();
    assertThat(isThere(unused)).isFalse();
    assertThat(isThere(fresh)).isTrue();
  }
}
