package idlelens.web.wire;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.io.IOException;
import java.net.http.HttpRequest;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Those who send slowly, do not read, or are gone. None of them may cost anybody else a thread. */
@ExtendWith(IdleLensExtension.class)
class SlowPeersTest {
  /** More than the server has threads. */
  private static final int MANY = 64;

  /**
   * Less than a body may take, which is how long a thread would be held; far more than is needed.
   */
  private static final Duration SOON = Duration.ofSeconds(4);

  private final List<Peer> peers = new ArrayList<>();
  private RunningApp app;

  @BeforeEach
  void takeApp(RunningApp running) {
    app = running;
  }

  @AfterEach
  void closeAll() throws IOException {
    for (Peer peer : peers) {
      peer.close();
    }
  }

  private Peer peer() throws IOException {
    Peer peer = new Peer(app.port());
    peers.add(peer);
    return peer;
  }

  private static Duration timed(Runnable work) {
    long start = System.nanoTime();
    work.run();
    return Duration.ofNanos(System.nanoTime() - start);
  }

  @Test
  void slowPosts_ofStrangers_holdNobodyUp_andAreEndedAtTheirDeadline() throws Exception {
    for (int i = 0; i < MANY; i++) {
      peer()
          .ask(
              "POST",
              "/login",
              "Content-Type: application/x-www-form-urlencoded",
              "Content-Length: 500")
          .say("username=a");
    }
    assertThat(
            timed(
                () ->
                    assertThat(app.send(app.request("/api/health").GET()).status()).isEqualTo(200)))
        .isLessThan(SOON);
    assertThat(timed(() -> assertThat(app.get("/api/shots").status()).isEqualTo(200)))
        .isLessThan(SOON);
    // one address has no more room than that; others would
    Peer oneTooMany = peer().ask("POST", "/login", "Content-Length: 500").say("u");
    assertThat(oneTooMany.hear("\r\n")).contains("429");
    for (Peer peer : peers.subList(0, MANY)) {
      assertThat(peer.hear("\r\n")).contains("408");
    }
    assertThat(app.get("/api/shots").status()).isEqualTo(200);
  }

  @Test
  void bodyOfAStranger_isRefusedByItsLengthAlone() throws Exception {
    assertThat(peer().ask("POST", "/api/shots/1/edits", "Content-Length: 9000000").hear("}"))
        .contains("413", "at most 16384 bytes", "X-Content-Type-Options: nosniff");
    String chunk = "4000\r\n" + "x".repeat(0x4000) + "\r\n";
    assertThat(
            peer()
                .ask("POST", "/api/shots/1/edits", "Transfer-Encoding: chunked")
                .say(chunk + chunk)
                .hear("}"))
        .contains("413");
  }

  @Test
  void bodiesThatAreRefused_areNotWaitedForByAnyThread() throws Exception {
    for (int i = 0; i < 3 * MANY; i++) { // most of them one too many
      boolean chunked = i % 2 == 0;
      peer()
          .ask("POST", "/login", chunked ? "Transfer-Encoding: chunked" : "Content-Length: 900")
          .say(chunked ? "5\r\nabcde\r\n" : "abcde");
    }
    for (int i = 0; i < 5; i++) {
      assertThat(
              timed(
                  () ->
                      assertThat(app.send(app.request("/api/health").GET()).status())
                          .isEqualTo(200)))
          .isLessThan(SOON);
    }
    Thread.sleep(5_500); // until those that were let in are let go
    assertThat(
            timed(
                () ->
                    assertThat(app.send(app.request("/api/health").GET()).status()).isEqualTo(200)))
        .isLessThan(SOON);
  }

  @Test
  void bodyThatIsTooLarge_isToldToWhoeverSendsIt_alsoIfItIsMuchTooLarge() {
    RunningApp.Answer answer = app.post("/api/quantity", "1".repeat(12_000_000));
    assertThat(answer.status()).isEqualTo(413);
    assertThat(answer.text()).contains("at most 65536 bytes");
  }

  @Test
  void bodyInPieces_isTakenWhole() throws Exception {
    String body = "{\"text\":\"1 m + 20 cm\",\"kind\":\"length\"}";
    Peer peer =
        peer()
            .ask(
                "POST",
                "/api/quantity",
                "Authorization: " + RunningApp.basic("demo", "tern-quay"),
                "Content-Type: application/json",
                "Content-Length: " + body.length());
    for (String piece : body.split("(?<=,)")) {
      peer.say(piece);
      Thread.sleep(60);
    }
    assertThat(peer.hear("}")).contains("\"value\":1.2");
  }

  private Peer listener(long shot, String window) throws IOException {
    return peer()
        .ask(
            "GET",
            "/api/shots/" + shot + "/events?window=" + window,
            "Authorization: " + RunningApp.basic("demo", "tern-quay"));
  }

  private void rename(long shot, String name) {
    String edit = "{\"edit\":\"rename\",\"id\":\"keeper\",\"name\":\"" + name + "\"}";
    assertThat(app.edit(shot, edit).status()).isEqualTo(200);
  }

  @Test
  void windowsThatDoNotRead_costNoEditAnything_andAreLetGo() throws Exception {
    long shot = app.copyOf("Two cameras");
    for (int i = 0; i < 20; i++) {
      listener(shot, "deaf" + i);
    }
    Peer hears = listener(shot, "hears");
    hears.hear("event:revision");
    for (int i = 0; i < 150; i++) {
      String name = "Keeper " + i;
      assertThat(timed(() -> rename(shot, name))).isLessThan(SOON);
    }
    assertThat(hears.hear("Rename to Keeper 149")).contains("Rename to Keeper 0");
  }

  @Test
  void manyListeners_openQuickly_andTheFirstEditReachesAll() throws Exception {
    long shot = app.copyOf("Two cameras");
    Duration opening =
        timed(
            () -> {
              try {
                for (int i = 0; i < 300; i++) {
                  listener(shot, "many" + i).hear("event:revision");
                }
              } catch (IOException e) {
                throw new IllegalStateException(e);
              }
            });
    assertThat(opening).isLessThan(Duration.ofSeconds(60));
    assertThat(timed(() -> rename(shot, "Watch"))).isLessThan(SOON);
    for (Peer peer : peers) {
      assertThat(peer.hear("Rename to Watch")).contains("Rename to Watch");
    }
  }

  @Test
  void events_endWithTheShotAndWithTheMembership_andHeadDoesNotHang() throws Exception {
    String basic = app.addMember("listens-a-while", "viewer");
    long shot = app.copyOf("Two cameras");
    String path = "/api/shots/" + shot + "/events?window=";
    Peer member = peer().ask("GET", path + "member", "Authorization: " + basic);
    member.hear("event:revision");
    app.delete("/api/productions/" + app.demoProduction() + "/members/listens-a-while");
    member.awaitEnd();

    app.addMember("changes-soon", "viewer");
    Peer changes =
        peer()
            .ask(
                "GET",
                path + "changes",
                "Authorization: " + RunningApp.basic("changes-soon", "changes-soon-password"));
    changes.hear("event:revision");
    app.setPassword("changes-soon", "another-password");
    changes.awaitEnd();

    Peer own = listener(shot, "own");
    own.hear("event:revision");
    app.delete("/api/shots/" + shot);
    own.awaitEnd();

    app.post("/api/shots/" + shot + "/restore", "");
    HttpRequest.Builder head =
        app.demoRequest("/api/shots/" + shot + "/events")
            .method("HEAD", HttpRequest.BodyPublishers.noBody())
            .timeout(Duration.ofSeconds(5));
    assertThat(app.send(head).status()).isEqualTo(200);
  }

  @Test
  void answerThatIsNotRead_holdsNoThread() throws Exception {
    long shot = app.demoShot("Quay walk");
    for (int i = 0; i < MANY; i++) {
      peer()
          .ask(
              "GET",
              "/api/shots/" + shot + "/samples?step=0.0625&camera=a-cam",
              "Authorization: " + RunningApp.basic("demo", "tern-quay"));
    }
    assertThat(app.get("/api/shots/" + shot).status()).isEqualTo(200);
    assertThat(app.get("/api/shots/" + shot + "/samples?camera=a-cam").json().get("frame").size())
        .isEqualTo(144);
  }

  @Test
  void everyAnswer_hasTheHeadersOfSafety_alsoTheServersOwn() throws Exception {
    String strange = peer().say("GET /a|b{} HTTP/1.1\r\nHost: localhost\r\n\r\n").hear("\r\n\r\n");
    assertThat(strange)
        .contains("400", "X-Content-Type-Options: nosniff", "frame-ancestors 'none'");
    String tooLong = peer().ask("GET", "/" + "x".repeat(20_000)).hear("\r\n\r\n");
    assertThat(tooLong).startsWith("HTTP/1.1 4").contains("X-Content-Type-Options: nosniff");
    for (String path : List.of("/", "/login", "/js/floor/floor.js", "/nowhere", "/api/nowhere")) {
      assertThat(peer().ask("GET", path).hear("\r\n\r\n"))
          .as(path)
          .contains("Content-Security-Policy: default-src 'none'", "X-Frame-Options: DENY");
    }
  }

  @Test
  void otherHosts_areNotAnswered() throws Exception {
    assertThat(peer().say("GET /login HTTP/1.1\r\nHost: quay.example\r\n\r\n").hear("\r\n"))
        .contains("421");
    assertThat(peer().say("GET /login HTTP/1.1\r\nHost: localhost:99\r\n\r\n").hear("\r\n"))
        .contains("200");
  }
}
