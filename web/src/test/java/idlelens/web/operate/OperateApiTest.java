package idlelens.web.operate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.io.IOException;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.http.HttpRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Walking, takes and the tracker over HTTP. */
@ExtendWith(IdleLensExtension.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class OperateApiTest {
  private static final String TAKE =
      "{\"start\":1001,\"rate\":24,\"samples\":{\"x\":[0,1,%s],\"y\":[1,1,1],\"z\":[0,0,0],"
          + "\"pan\":[0,0,0],\"tilt\":[0,0,0],\"roll\":[0,0,0]}}";

  private RunningApp app;
  private long shot;

  @BeforeAll
  void takeApp(RunningApp running) {
    app = running;
  }

  @BeforeEach
  void copyShot() {
    shot = app.copyOf("Quay walk");
  }

  private String path(String rest) {
    return "/api/shots/" + shot + rest;
  }

  private RunningApp.Answer walk(JsonNode stance, double seconds, String steering) {
    return app.post(
        path("/walk"),
        ("{\"camera\":\"a-cam\",\"body\":{\"eye\":1.5},\"start\":1001,\"plays\":true,\"stance\":"
                + stance
                + ",\"seconds\":%s,\"steering\":%s}")
            .formatted(seconds, steering));
  }

  /** From where the camera is, over the boards of the quay, at its height over them. */
  @Test
  void aWalk_beginsAtTheCamera_andFollowsTheBoards() {
    JsonNode begun = app.get(path("/walk?camera=a-cam&frame=1001&eye=1.5")).json();
    JsonNode live = begun.get("live");
    assertThat(live.get("focalMm").doubleValue()).isGreaterThan(10);
    JsonNode ahead = walk(begun.get("stance"), 2, "{\"ahead\":1}").json();
    assertThat(ahead.get("frames")).hasSize(48);
    assertThat(ahead.get("frames").get(47).get(0).intValue()).isEqualTo(1049);
    JsonNode from = begun.get("stance");
    JsonNode to = ahead.get("stance");
    double way =
        Math.hypot(number(to, "x") - number(from, "x"), number(to, "z") - number(from, "z"));
    assertThat(way).isBetween(0.5, 2.8);
    assertThat(to.get("on").intValue()).isNotNegative();
    assertThat(number(ahead.get("live"), "y"))
        .isCloseTo(number(to, "y") + 1.5 + number(to, "lift"), within(1e-9));
    assertThat(app.revision(shot)).as("nothing is stored").isEqualTo(1);
  }

  private static double number(JsonNode of, String name) {
    return of.get(name).doubleValue();
  }

  @Test
  void aWalkThatIsAskedForWrongly_isRefusedWithTheReason() {
    ObjectNode stance =
        (ObjectNode) app.get(path("/walk?camera=a-cam&frame=1001")).json().get("stance");
    assertThat(walk(stance, 900, "{}").text()).contains("until.stepsOn is 108000");
    assertThat(walk(stance, 1, "{\"ahead\":2}").text())
        .contains("steering.ahead is 2.0; allowed: -1 to 1");
    assertThat(walk(stance, 1, "{\"fly\":true}").text()).contains("steering.fly");
    stance.put("x", 1e300);
    assertThat(walk(stance, 1, "{}").text()).contains("stance.x is 1.0E300");
    assertThat(app.get(path("/walk?camera=ferry&frame=1001")).status()).isEqualTo(422);
  }

  @Test
  void takes_areKept_named_compared_andTakenAway() {
    String takes = path("/takes");
    assertThat(app.post(takes, TAKE.formatted("2")).json().get("name").stringValue())
        .isEqualTo("Take 1");
    assertThat(app.post(takes, TAKE.formatted("2.5")).json().get("name").stringValue())
        .isEqualTo("Take 2");
    JsonNode all = app.get(takes).json();
    assertThat(all).hasSize(2);
    assertThat(all.get(1).get("pathM").doubleValue()).isEqualTo(2.5);
    assertThat(all.get(1).get("source").stringValue()).isEqualTo("walk");
    JsonNode first = app.get(takes + "/Take%201").json();
    assertThat(first.get("samples").get("x").toString()).isEqualTo("[0.0,1.0,2.0]");
    JsonNode found = app.get(path("/take-difference?first=Take%201&second=Take%202")).json();
    assertThat(found.get("place").get("largest").doubleValue()).isCloseTo(0.5, within(1e-9));
    assertThat(found.get("place").get("frame").intValue()).isEqualTo(1003);
    assertThat(put(takes + "/Take%201", "{\"name\":\"Best one\"}").status()).isEqualTo(204);
    assertThat(put(takes + "/Take%202", "{\"name\":\"Best one\"}").text())
        .contains("name is 'Best one'; allowed: a name that no take here has");
    assertThat(app.delete(takes + "/Best%20one").status()).isEqualTo(204);
    assertThat(app.delete(takes + "/Best%20one").status()).isEqualTo(404);
    assertThat(app.get(takes).json()).hasSize(1);
    assertThat(app.post(takes, TAKE.formatted("\"a\"")).text()).contains("samples.x[2] is");
  }

  /** Several at once, and one of them twice: each is kept, once. */
  @Test
  void takesKeptAtOnce_loseNothing_andTheSameRequestTwiceIsOneTake() {
    List<CompletableFuture<String>> asked = new ArrayList<>();
    for (int i = 0; i < 6; i++) {
      String request = "the-same-take-" + i / 2;
      String body = TAKE.formatted(i / 2);
      asked.add(CompletableFuture.supplyAsync(() -> keep(request, body)));
    }
    Set<String> names = new TreeSet<>();
    asked.forEach(each -> names.add(each.join()));
    assertThat(names).containsExactly("Take 1", "Take 2", "Take 3");
    assertThat(app.get(path("/takes")).json()).hasSize(3);
  }

  private RunningApp.Answer cut(String request) {
    return app.send(
        app.demoRequest(path("/tracker/cut"))
            .header("Idle-Lens-Request", request)
            .POST(HttpRequest.BodyPublishers.noBody()));
  }

  private String keep(String request, String body) {
    return app.send(
            app.demoRequest(path("/takes"))
                .header("Content-Type", "application/json")
                .header("Idle-Lens-Request", request)
                .POST(HttpRequest.BodyPublishers.ofString(body)))
        .json()
        .get("name")
        .stringValue();
  }

  /** Rolled while the stand-in sends with trouble: the take is kept and says what was missing. */
  @Test
  void aTracker_isListenedTo_rolledAndKept() throws Exception {
    int port = freePort();
    String state = path("/tracker?camera=a-cam&frame=1001");
    assertThat(app.get(state).json().get("on").booleanValue()).isFalse();
    String listen = "{\"port\":" + port + ",\"camera\":\"a-cam\",\"frame\":1001}";
    assertThat(app.post(path("/tracker"), listen).status()).isEqualTo(204);
    assertThat(app.get(state).json().get("quiet").booleanValue()).isTrue();
    String trouble = "{\"rate\":120,\"loss\":10,\"reorder\":5,\"damage\":3,\"jitter\":4}";
    assertThat(app.post(path("/tracker/stand-in"), trouble).status()).isEqualTo(204);
    JsonNode heard = until(state, s -> s.has("live"));
    JsonNode pose = app.get(path("/walk?camera=a-cam&frame=1001")).json().get("live");
    assertThat(number(heard.get("live"), "x")).isCloseTo(number(pose, "x"), within(0.3));
    assertThat(number(heard.get("live"), "z")).isCloseTo(number(pose, "z"), within(0.3));
    assertThat(number(heard.get("live"), "rate")).isEqualTo(120);
    assertThat(app.post(path("/tracker/roll"), "{\"frame\":1010}").status()).isEqualTo(204);
    until(state, s -> s.get("told").get("kept").intValue() > 150);
    for (int i = 0; i < 2; i++) { // the answer was lost, and it is asked again
      assertThat(cut("cut-of-the-tracker").json().get("name").stringValue()).isEqualTo("Take 1");
    }
    assertThat(app.get(path("/takes")).json()).hasSize(1);
    JsonNode kept = app.get(path("/takes")).json().get(0);
    assertThat(kept.get("source").stringValue()).isEqualTo("tracker");
    assertThat(kept.get("start").doubleValue()).isEqualTo(1010);
    assertThat(kept.get("rate").doubleValue()).isEqualTo(120);
    assertThat(kept.get("told").get("missing").intValue()).isPositive();
    assertThat(kept.get("told").get("gaps").get(0)).hasSize(2);
    assertThat(app.post(path("/tracker/cut"), "").text()).contains("take is not rolled");
    for (int i = 0; i < 20; i++) { // in place of the one before, on its port
      assertThat(app.post(path("/tracker"), listen).status()).isEqualTo(204);
    }
    assertThat(app.delete(path("/tracker")).status()).isEqualTo(204);
    try (DatagramSocket again = new DatagramSocket(loopback(port))) {
      assertThat(again.isBound()).as("the port is free again").isTrue();
    }
    assertThat(app.post(path("/tracker/roll"), "{\"frame\":1010}").text())
        .contains("No tracker is listened to: switch it on first");
  }

  /** A window that goes away while it rolls: what came is a take. */
  @Test
  void aTakeThatIsRolledWhenItIsClosed_isKept() throws Exception {
    int port = freePort();
    app.post(path("/tracker"), "{\"port\":" + port + "}");
    app.post(path("/tracker/stand-in"), "{}");
    app.post(path("/tracker/roll"), "{\"frame\":1001}");
    until(path("/tracker?camera=a-cam&frame=1001"), s -> s.get("told").get("kept").intValue() > 5);
    app.delete(path("/tracker"));
    assertThat(app.get(path("/takes")).json()).hasSize(1);
  }

  @Test
  void aPortThatIsTaken_isNamed() throws Exception {
    try (DatagramSocket other = new DatagramSocket(loopback(0))) {
      RunningApp.Answer answer =
          app.post(path("/tracker"), "{\"port\":" + other.getLocalPort() + "}");
      assertThat(answer.status()).isEqualTo(409);
      assertThat(answer.text()).contains("Port " + other.getLocalPort() + " is taken");
    }
    assertThat(app.post(path("/tracker"), "{\"port\":80}").text())
        .contains("port is 80; allowed: 1024 to 65535");
  }

  private static InetSocketAddress loopback(int port) {
    return new InetSocketAddress(InetAddress.getLoopbackAddress(), port);
  }

  private static int freePort() throws IOException {
    try (DatagramSocket any = new DatagramSocket(loopback(0))) {
      return any.getLocalPort();
    }
  }

  private interface Condition {
    boolean holds(JsonNode state);
  }

  private JsonNode until(String state, Condition condition) throws InterruptedException {
    for (int i = 0; i < 200; i++) {
      JsonNode now = app.get(state).json();
      if (condition.holds(now)) {
        return now;
      }
      Thread.sleep(50);
    }
    throw new AssertionError("it never came: " + app.get(state).text());
  }

  private RunningApp.Answer put(String path, String body) {
    return app.send(
        app.demoRequest(path)
            .header("Content-Type", "application/json")
            .PUT(HttpRequest.BodyPublishers.ofString(body)));
  }
}
