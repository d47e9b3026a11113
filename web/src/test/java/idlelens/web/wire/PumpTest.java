package idlelens.web.wire;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.web.app.IdleLensExtension;
import jakarta.servlet.http.HttpServlet;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.locks.LockSupport;
import org.apache.catalina.Context;
import org.apache.catalina.Wrapper;
import org.apache.catalina.startup.Tomcat;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Listeners on a bare server that come and go, while all that listen are told things. */
class PumpTest {
  private static final int COME_AND_GO = 800;
  private static final int HEAR_EACH = 5;

  private final Tomcat server = new Tomcat();
  private final ExecutorService threads = Executors.newFixedThreadPool(5);
  private final Set<EventQueue> queues = ConcurrentHashMap.newKeySet();
  private volatile boolean over;
  private Path folder;

  private final class Events extends HttpServlet {
    private static final long serialVersionUID = 1;

    @Override
    protected void doGet(HttpServletRequest request, HttpServletResponse response)
        throws IOException {
      EventQueue[] queue = new EventQueue[1];
      queue[0] = new EventQueue(10_000, () -> queues.remove(queue[0]));
      queue[0].tell(EventQueue.event("hello", "{}"));
      queues.add(queue[0]);
      Pump.start(request.startAsync(request, response), 0, queue[0], threads);
    }
  }

  @BeforeEach
  void start() throws Exception {
    folder = Files.createTempDirectory("idle-lens-pump");
    server.setBaseDir(folder.toString());
    server.setPort(0);
    server.setHostname("127.0.0.1");
    Context context = server.addContext("", null);
    Wrapper events = Tomcat.addServlet(context, "events", new Events());
    events.setAsyncSupported(true);
    events.addMapping("/*");
    server.getConnector();
    server.start();
  }

  @AfterEach
  void stop() throws Exception {
    over = true;
    server.stop();
    server.destroy();
    threads.shutdownNow();
    IdleLensExtension.deleteFolder(folder);
  }

  private void tellAll() {
    byte[] news = EventQueue.event("news", "{}");
    Random pauses = new Random(7);
    while (!over) {
      queues.forEach(queue -> queue.tell(news));
      LockSupport.parkNanos(pauses.nextInt(300_000));
    }
  }

  @Test
  void connectionThatIsOver_neverEndsAnotherThatHasItsPlace() throws Exception {
    threads.execute(this::tellAll);
    for (int i = 0; i < COME_AND_GO; i++) {
      try (Peer peer = new Peer(server.getConnector().getLocalPort())) {
        peer.ask("GET", "/");
        assertThat(peer.hear("event:hello")).endsWith("event:hello");
        for (int k = 0; k < HEAR_EACH; k++) {
          assertThat(peer.hear("event:news")).as("listener %s", i).endsWith("event:news");
        }
      }
    }
  }
}
