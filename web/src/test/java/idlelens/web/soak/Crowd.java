package idlelens.web.soak;

import idlelens.web.app.RunningApp;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Many people at work: each changes a value of a node of its own, looks at it for a moment, and
 * changes the next; and where windows are open, each fetches what the others did.
 */
final class Crowd {
  private static final Pattern REVISION = Pattern.compile("\"revision\":(\\d+)");
  private static final int FOLLOWS_AFTER_MS = 200;
  private static final String OCTETS = "application/octet-stream";

  private final RunningApp app;
  private final List<String> people;
  private final long[] shots;
  private final int pauseMs;
  private final Latencies edits = new Latencies();
  private final Latencies fetches = new Latencies();
  private final AtomicInteger refused = new AtomicInteger();
  private final AtomicInteger wrong = new AtomicInteger();
  private volatile boolean over;

  /**
   * @param people headers of those who work
   * @param shots the shots, shared out among them
   * @param pauseMs how long each looks at its edit, in the mean
   */
  Crowd(RunningApp app, List<String> people, long[] shots, int pauseMs) {
    this.app = app;
    this.people = people;
    this.shots = shots.clone();
    this.pauseMs = pauseMs;
  }

  /**
   * What came of it.
   *
   * @param perSecond edits stored
   * @param wrong values that are not what was last stored
   */
  record Result(double perSecond, Latencies edits, Latencies fetches, int refused, int wrong) {
    String words() {
      return String.format(
          Locale.ROOT,
          "%.0f edits a second; edits: %s; fetches: %s; refused %d, wrong values %d",
          perSecond,
          edits.words(),
          fetches.count() == 0 ? "none" : fetches.words(),
          refused,
          wrong);
    }
  }

  /**
   * @param windows whether each has a window open that fetches what the others do
   */
  Result work(Duration length, boolean windows) throws Exception {
    ExecutorService threads = Executors.newCachedThreadPool();
    try {
      List<Future<?>> all = new ArrayList<>();
      for (int i = 0; i < people.size(); i++) {
        Person person = new Person(i);
        all.add(threads.submit(person::edit));
        if (windows) {
          all.add(threads.submit(person::follow));
        }
      }
      Thread.sleep(length.toMillis());
      over = true;
      for (Future<?> each : all) {
        each.get();
      }
    } finally {
      threads.shutdownNow();
    }
    return new Result(
        edits.count() / (length.toMillis() / 1000.0), edits, fetches, refused.get(), wrong.get());
  }

  /** One of them. */
  private final class Person {
    private final int number;
    private final String basic;
    private final long shot;
    private final String node;
    private final HttpClient http =
        HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
    private final AtomicLong known = new AtomicLong(1);
    private double last;

    Person(int number) {
      this.number = number;
      this.basic = people.get(number);
      this.shot = shots[number % shots.length];
      this.node = "crew-" + number;
    }

    private HttpRequest.Builder request(String rest) {
      return HttpRequest.newBuilder(URI.create(app.address() + "/api/shots/" + shot + rest))
          .header("Authorization", basic);
    }

    private HttpResponse<byte[]> send(HttpRequest.Builder request) {
      try {
        return http.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      } catch (InterruptedException e) {
        throw new IllegalStateException(e);
      }
    }

    private boolean post(String edit) {
      String body = "{\"revision\":" + known.get() + ",\"edits\":[" + edit + "]}";
      HttpResponse<byte[]> answer =
          send(
              request("/edits")
                  .header("Accept", OCTETS)
                  .header("Content-Type", "application/json")
                  .header("Idle-Lens-Request", UUID.randomUUID().toString())
                  .POST(HttpRequest.BodyPublishers.ofString(body)));
      if (answer.statusCode() == 200) {
        known.accumulateAndGet(revisionOf(answer.body()), Math::max);
      } else {
        refused.incrementAndGet();
      }
      return answer.statusCode() == 200;
    }

    Void edit() throws InterruptedException {
      Random random = new Random(number);
      known.set(
          Long.parseLong(
              send(request("")).headers().firstValue("Idle-Lens-Revision").orElseThrow()));
      post(
          "{\"edit\":\"add-nodes\",\"nodes\":[{\"id\":\"%s\",\"kind\":\"null\",\"name\":\"%s\",\"chain\":[]}]}"
              .formatted(node, node));
      Thread.sleep(random.nextInt(2 * pauseMs + 1));
      while (!over) {
        double value = random.nextInt(1000) / 8.0;
        String edit =
            "{\"edit\":\"set-values\",\"id\":\"%s\",\"frame\":1001,\"values\":{\"x\":%s},\"keying\":\"still\"}"
                .formatted(node, value);
        edits.time(
            () -> {
              if (post(edit)) {
                last = value;
              }
            });
        Thread.sleep(random.nextInt(2 * pauseMs + 1));
      }
      if (stored() != last) {
        wrong.incrementAndGet();
      }
      return null;
    }

    private double stored() {
      String text = new String(send(request("")).body(), StandardCharsets.UTF_8);
      Matcher x =
          Pattern.compile("\"id\":\"" + node + "\".*?\"part\":\"keys\"(?:,\"x\":([-0-9.E]+))?")
              .matcher(text);
      return x.find() && x.group(1) != null ? Double.parseDouble(x.group(1)) : 0;
    }

    /** As an open window does while others work: it fetches what is new a few times a second. */
    Void follow() throws InterruptedException {
      long mine = known.get();
      while (!over) {
        long since = mine;
        long[] now = {since};
        fetches.time(
            () -> {
              HttpResponse<byte[]> answer =
                  send(request("/changes?since=" + since).header("Accept", OCTETS));
              now[0] = answer.statusCode() == 200 ? revisionOf(answer.body()) : since;
            });
        mine = now[0];
        Thread.sleep(FOLLOWS_AFTER_MS);
      }
      return null;
    }
  }

  private static long revisionOf(byte[] octets) {
    int length = ByteBuffer.wrap(octets).order(ByteOrder.LITTLE_ENDIAN).getInt(4);
    Matcher revision = REVISION.matcher(new String(octets, 8, length, StandardCharsets.UTF_8));
    return revision.find() ? Long.parseLong(revision.group(1)) : 0;
  }
}
