package idlelens.web.shot;

import static idlelens.web.database.schema.Tables.SHOT_REVISION;
import static org.assertj.core.api.Assertions.assertThat;

import idlelens.exchange.format.ContentHash;
import idlelens.exchange.json.ShotJson;
import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Revisions as differences: each as it was stored, to the letter, and no other taken for it. */
@ExtendWith(IdleLensExtension.class)
class RevisionRepositoryTest {
  private RunningApp app;
  private DSLContext sql;
  private RevisionRepository revisions;
  private long shot;

  @BeforeEach
  void copyAShot(RunningApp running) {
    app = running;
    sql = app.bean(DSLContext.class);
    revisions = app.bean(RevisionRepository.class);
    shot = app.copyOf("Quay walk");
  }

  /** Changes of all sorts: values, nodes that come and go, order, header, markers, undo. */
  private static final String[] EDITS = {
    "{'edit':'set-values','id':'keeper','frame':%d,'values':{'x':%d},'keying':'touched'}",
    "{'edit':'change-header','handles':%2$d}",
    "{'edit':'duplicate','id':'keeper','ids':{'keeper':'keeper-%d'}}",
    "{'edit':'rename','id':'keeper','name':'Keeper %d'}",
    "{'edit':'set-values','id':'a-cam','frame':%d,'values':{'pan':%d.25},'keying':'whole-pose'}",
  };

  private Map<Long, String> work(int edits) {
    Map<Long, String> texts = new HashMap<>();
    texts.put(1L, app.get("/api/shots/" + shot).text());
    for (int i = 0; i < edits; i++) {
      String edit = EDITS[i % EDITS.length].formatted(1001 + i, i % 20 + 1).replace('\'', '"');
      RunningApp.Answer answer =
          i % 7 == 6 ? app.post("/api/shots/" + shot + "/undo", "") : app.edit(shot, edit);
      assertThat(answer.status()).as(edit).isIn(200, 422);
      texts.put(app.revision(shot), app.get("/api/shots/" + shot).text());
    }
    return texts;
  }

  @Test
  void everyRevision_isReadBackToTheLetter() {
    Map<Long, String> texts = work(75);
    assertThat(texts.keySet()).hasSizeGreaterThan(60);
    texts.forEach(
        (revision, text) -> {
          byte[] read = ShotJson.bytes(revisions.read(shot, revision));
          assertThat(new String(read, StandardCharsets.UTF_8).equals(text))
              .as("revision " + revision)
              .isTrue();
        });
    long whole =
        sql.fetchCount(
            SHOT_REVISION, SHOT_REVISION.SHOT_ID.eq(shot).and(SHOT_REVISION.BASE.isNull()));
    assertThat(whole).isBetween(2L, 6L);
  }

  @Test
  void damage_isToldAndNothingIsMadeOfIt_otherRevisionsAreThere() {
    work(10);
    sql.update(SHOT_REVISION)
        .set(SHOT_REVISION.SHA256, ContentHash.of(new byte[1]))
        .where(SHOT_REVISION.SHOT_ID.eq(shot))
        .and(SHOT_REVISION.REVISION.eq(5L))
        .execute();
    RunningApp.Answer answer = app.get("/api/shots/" + shot + "?revision=5");
    // the latest few are in memory; what is read from the database is checked
    app.bean(LiveShots.class).forget(shot);
    answer = app.get("/api/shots/" + shot + "?revision=5");
    assertThat(answer.status()).isEqualTo(500);
    assertThat(answer.text()).contains("Revision 5 of shot " + shot + " is damaged");
    assertThat(app.get("/api/shots/" + shot + "?revision=4").status()).isEqualTo(200);
    assertThat(app.get("/api/shots/" + shot + "?revision=6").status()).isEqualTo(200);
  }

  @Test
  void plainRevisions_ofAnEarlierVersion_areReadAsTheyAre_andPacked() {
    work(45);
    long last = app.revision(shot);
    for (long revision = 1; revision <= last; revision++) {
      byte[] text = ShotJson.bytes(revisions.read(shot, revision));
      sql.update(SHOT_REVISION)
          .set(SHOT_REVISION.DOCUMENT, text)
          .setNull(SHOT_REVISION.BASE)
          .where(SHOT_REVISION.SHOT_ID.eq(shot))
          .and(SHOT_REVISION.REVISION.eq(revision))
          .execute();
    }
    Map<Long, byte[]> before = all(last);
    long size = size();
    app.bean(Packing.class).begin();
    for (int i = 0; i < 200 && !revisions.plain(shot, 1, 1).isEmpty(); i++) {
      pause();
    }
    assertThat(revisions.plain(shot, 1, 1)).isEmpty();
    app.bean(LiveShots.class).forget(shot);
    all(last)
        .forEach(
            (revision, text) ->
                assertThat(ContentHash.of(text)).isEqualTo(ContentHash.of(before.get(revision))));
    assertThat(size()).isLessThan(size / 20);
  }

  private Map<Long, byte[]> all(long last) {
    Map<Long, byte[]> texts = new HashMap<>();
    for (long revision = 1; revision <= last; revision++) {
      texts.put(revision, ShotJson.bytes(revisions.read(shot, revision)));
    }
    return texts;
  }

  private long size() {
    return sql.select(DSL.sum(DSL.octetLength(SHOT_REVISION.DOCUMENT.cast(String.class))))
        .from(SHOT_REVISION)
        .where(SHOT_REVISION.SHOT_ID.eq(shot))
        .fetchSingle()
        .value1()
        .longValue();
  }

  private static void pause() {
    try {
      Thread.sleep(50);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
