package idlelens.web.shot;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Two windows change a shot at the same time: what would undo the other's work is refused. */
@ExtendWith(IdleLensExtension.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class ConflictApiTest {
  private static final String KEY_A_CAM =
      "{'edit':'set-values','id':'a-cam','frame':1060,'values':{'x':0.4},'keying':'touched'}";

  private RunningApp app;

  @BeforeAll
  void takeApp(RunningApp running) {
    app = running;
  }

  /** Sends an edit as somebody who has seen revision 1 only. */
  private RunningApp.Answer late(long shot, String edit) {
    return app.post(
        "/api/shots/" + shot + "/edits",
        "{\"revision\":1,\"edits\":[" + edit.replace('\'', '"') + "]}");
  }

  private long after(String edit) {
    long shot = app.copyOf("Quay walk");
    assertThat(app.edit(shot, edit.replace('\'', '"')).status()).isEqualTo(200);
    return shot;
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '~',
      value = {
        "{'edit':'change-header','newKeys':'straight'} | " + KEY_A_CAM,
        "{'edit':'duplicate','id':'head','newId':'h2','newName':'Head 2'} | " + KEY_A_CAM,
        KEY_A_CAM + " | {'edit':'duplicate','id':'dolly','newId':'d2','newName':'Dolly 2'}",
        "{'edit':'set-values','id':'dolly','frame':1001,'values':{'z':1},'keying':'touched'} |"
            + " {'edit':'move-in-world','id':'a-cam','frame':1001,'dx':0.2,'keying':'touched'}",
        "{'edit':'carry','id':'head','carrier':'','frame':1001} |"
            + " {'edit':'move-in-world','id':'a-cam','frame':1001,'dx':0.2,'keying':'touched'}",
        KEY_A_CAM + " | {'edit':'remove-nodes','ids':['dolly'],'frame':1001,'withCarried':true}",
        "{'edit':'add-nodes','nodes':[{'kind':'null','id':'n1','name':'N','chain':[]}]} |"
            + " {'edit':'add-nodes','nodes':[{'kind':'null','id':'n1','name':'M','chain':[]}]}",
      })
  void pairsThatDoNotCommute_areRefused_andTheFirstStays(String first, String second) {
    long shot = after(first);
    String before = app.get("/api/shots/" + shot).text();
    RunningApp.Answer answer = late(shot, second);
    assertThat(answer.status()).as(answer.text()).isEqualTo(409);
    assertThat(answer.json().get("detail").stringValue()).contains("in revision 2");
    assertThat(app.get("/api/shots/" + shot).text()).isEqualTo(before);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '~',
      value = {
        KEY_A_CAM
            + " | {'edit':'set-values','id':'a-cam','frame':1060,'values':{'y':0.1},'keying':"
            + "'touched'}",
        KEY_A_CAM + " | {'edit':'rename','id':'a-cam','name':'Main'}",
        "{'edit':'change-header','name':'Quay at dusk'} | {'edit':'change-header','handles':4}",
        KEY_A_CAM + " | {'edit':'switch-part','id':'a-cam','part':'lens','on':false}",
      })
  void pairsThatCommute_areBothStored(String first, String second) {
    long shot = after(first);
    assertThat(late(shot, second).status()).isEqualTo(200);
    long other = after(second);
    assertThat(late(other, first).status()).isEqualTo(200);
    assertThat(app.get("/api/shots/" + shot).text())
        .isEqualTo(app.get("/api/shots/" + other).text());
  }

  @Test
  void restore_isNotForClients() {
    long shot = app.copyOf("Quay walk");
    String document = app.get("/api/shots/" + shot).text();
    RunningApp.Answer answer =
        late(shot, "{'edit':'restore','nodes':" + document.replace('"', '\'') + "}");
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.text()).contains("restore");
    assertThat(app.revision(shot)).isEqualTo(1);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '~',
      value = {
        KEY_A_CAM,
        "{'edit':'remove-nodes','ids':['a-cam'],'frame':1001}",
        "{'edit':'move-in-world','id':'a-cam','frame':1060,'dx':0.2,'keying':'whole-pose'}",
        "{'edit':'reduce-keys','id':'a-cam'}",
      })
  void nothingGetsPastALock(String edit) {
    long shot = after("{'edit':'set-takes-keys','id':'a-cam','leftOut':[],'locked':['x','y','z']}");
    RunningApp.Answer answer = app.edit(shot, edit.replace('\'', '"'));
    assertThat(answer.status()).as(answer.text()).isEqualTo(422);
    assertThat(answer.json().get("detail").stringValue()).contains("locked");
    assertThat(app.revision(shot)).isEqualTo(2);
  }
}
