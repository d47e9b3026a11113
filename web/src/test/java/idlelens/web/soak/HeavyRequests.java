package idlelens.web.soak;

import idlelens.web.app.RunningApp;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeSet;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Requests that ask for as much as can be asked for, several at once by one account, while a
 * neighbour works on a shot of its own: what they are answered, and how long the neighbour waits.
 */
final class HeavyRequests {
  private static final int PAUSE_MS = 50;

  private final RunningApp app;
  private final String neighbour;
  private final Map<String, Ask> asks = new LinkedHashMap<>();
  private final int keys;

  /** One request, made anew for each time. */
  private interface Ask {
    RunningApp.Answer of();
  }

  /**
   * @param neighbour the header of somebody else, a member too
   * @param scale 1 for requests as large as they may be, less for a short round
   */
  HeavyRequests(RunningApp app, String neighbour, double scale) {
    this.app = app;
    this.neighbour = neighbour;
    this.keys = (int) (99_000 * scale);
    String half = node("half", "", noise(keys / 2)); // with room for more keys
    long noisy = brought("noisy", node("n0", "", noise(keys)) + "," + half);
    long carried = brought("carried", chain((int) (1500 * scale)));
    long quay = app.demoShot("Quay walk");
    samples(quay);
    edits(noisy, carried, scale);
    files(scale);
  }

  private void samples(long quay) {
    asks.put(
        "samples of all nodes at 1/16 frame over 20,000 frames",
        () -> app.get("/api/shots/" + quay + "/samples?from=0&to=20000&step=0.0625"));
    asks.put(
        "samples of one camera at 1/16 frame over 8,000 frames",
        () -> app.get("/api/shots/" + quay + "/samples?camera=a-cam&to=9000&step=0.0625"));
  }

  private void edits(long noisy, long carried, double scale) {
    asks.put(
        "a ramp over 1,000,000 frames, shown",
        () ->
            show(
                noisy,
                "{'edit':'retime','map':{'kind':'ramp','points':[[0,1],[500000,20],"
                    + "[1000000,0.05]],'keepLength':true},'landing':'merge'}"));
    asks.put(
        "reduce " + keys + " noisy keys",
        () -> show(noisy, "{'edit':'reduce-keys','id':'n0','placeM':0.5}"));
    String frames =
        IntStream.range(0, (int) (20_000 * scale))
            .mapToObj(i -> Double.toString(i * 2.4 + 0.33))
            .collect(Collectors.joining(","));
    asks.put(
        "insert " + (int) (20_000 * scale) + " keys into " + keys / 2,
        () ->
            show(
                noisy,
                "{'edit':'insert-keys','picks':[{'id':'half','channels':['x'],'frames':["
                    + frames
                    + "]}]}"));
    asks.put(
        "500 keyed values on " + keys + " keys",
        () ->
            show(
                noisy,
                many(
                    500,
                    i ->
                        "{'edit':'set-values','id':'n0','frame':"
                            + (i + 0.5)
                            + ",'values':{'x':1},'keying':'touched'}")));
    asks.put(
        "500 renames in a chain of nulls",
        () ->
            show(
                carried,
                many(500, i -> "{'edit':'rename','id':'n" + i % 100 + "','name':'N " + i + "'}")));
    String crowd =
        IntStream.range(0, 400)
            .mapToObj(i -> node("c" + i, "", "{\"keys\":[[1,0,\"flow\"],[20,1,\"flow\"]]}"))
            .collect(Collectors.joining(","));
    asks.put("400 moving nodes over 20,000 frames", () -> upload(crowd, 20_000));
  }

  private void files(double scale) {
    byte[] objects =
        ("[" + "{},".repeat((int) (20_000_000 * scale)) + "{}]").getBytes(StandardCharsets.UTF_8);
    asks.put(
        "an import of " + objects.length / 1_000_000 + " MB of {}",
        () -> app.upload(imports(), Map.of("many.json", objects), Map.of()));
    String digits = "1".repeat((int) (16_000_000 * scale));
    asks.put(
        "a quantity of " + digits.length() / 1_000_000 + " MB",
        () -> app.post("/api/quantity", "{\"text\":\"" + digits + "\",\"kind\":\"length\"}"));
    String head = "x,".repeat((int) (7_000_000 * scale)) + "\n1\n";
    asks.put(
        "a table of " + (int) (7_000_000 * scale) + " columns",
        () ->
            app.send(
                app.demoRequest("/api/shots/" + app.demoShot("Quay walk") + "/beats")
                    .header("Content-Type", "text/csv")
                    .POST(HttpRequest.BodyPublishers.ofString(head))));
  }

  private String imports() {
    return "/api/productions/" + app.demoProduction() + "/imports";
  }

  private static String many(int count, IntFunction<String> edit) {
    return IntStream.range(0, count).mapToObj(edit).collect(Collectors.joining(","));
  }

  private RunningApp.Answer show(long shot, String edits) {
    return app.post(
        "/api/shots/" + shot + "/edits",
        "{\"revision\":1,\"provisional\":true,\"edits\":[" + edits.replace('\'', '"') + "]}");
  }

  private static String noise(int count) {
    Random random = new Random(1);
    return IntStream.range(0, count)
        .mapToObj(i -> "[" + i + "," + (float) random.nextGaussian() + ",\"settle\"]")
        .collect(Collectors.joining(",", "{\"keys\":[", "]}"));
  }

  private static String chain(int count) {
    return IntStream.range(0, count)
        .mapToObj(i -> node("n" + i, i == 0 ? "" : "n" + (i - 1), "1"))
        .collect(Collectors.joining(","));
  }

  private static String node(String id, String carrier, String x) {
    String by = carrier.isEmpty() ? "" : ",\"by\":[{\"node\":\"" + carrier + "\"}]";
    return ("{\"id\":\"%s\",\"kind\":\"null\",\"name\":\"%s\",\"chain\":[{\"part\":\"keys\",\"x\":%s},"
            + "{\"part\":\"carried\"%s}]}")
        .formatted(id, id, x, by);
  }

  private RunningApp.Answer upload(String nodes, int frames) {
    String text =
        ("{\"format\":\"idle-lens/shot\",\"version\":3,\"name\":\"Heavy\",\"rate\":\"24\",\"in\":1,"
                + "\"out\":%d,\"aspect\":1.5,\"nodes\":[%s]}")
            .formatted(frames, nodes);
    return app.upload(
        imports(), Map.of("heavy.json", text.getBytes(StandardCharsets.UTF_8)), Map.of());
  }

  private long brought(String what, String nodes) {
    RunningApp.Answer answer = upload(nodes, 500);
    if (answer.status() != 201) {
      throw new IllegalStateException(what + ": " + answer.text());
    }
    return answer.json().get("shotId").longValue();
  }

  /**
   * What one kind of request led to.
   *
   * @param statuses what the answers were
   * @param own how long the requests themselves took
   * @param neighbours how long edits of the neighbour took meanwhile
   */
  record Result(String name, TreeSet<Integer> statuses, Latencies own, Latencies neighbours) {
    String words() {
      return String.format(
          Locale.ROOT,
          "| %s | %s | %.0f ms | %.0f ms |",
          name,
          statuses,
          own.largest(),
          neighbours.largest());
    }
  }

  /** Sends each kind that many times at once. */
  List<Result> run(int atOnce) throws Exception {
    List<Result> results = new ArrayList<>();
    long own = app.copyOf("Two cameras");
    for (Map.Entry<String, Ask> ask : asks.entrySet()) {
      results.add(run(ask.getKey(), ask.getValue(), atOnce, own));
    }
    return results;
  }

  private Result run(String name, Ask ask, int atOnce, long own) throws Exception {
    TreeSet<Integer> statuses = new TreeSet<>();
    Latencies asked = new Latencies();
    Latencies neighbours = new Latencies();
    ExecutorService threads = Executors.newFixedThreadPool(atOnce);
    try {
      List<Future<?>> all = Collections.synchronizedList(new ArrayList<>());
      for (int i = 0; i < atOnce; i++) {
        all.add(
            threads.submit(
                () ->
                    asked.time(
                        () -> {
                          int status = ask.of().status();
                          synchronized (statuses) {
                            statuses.add(status);
                          }
                        })));
      }
      while (!all.stream().allMatch(Future::isDone)) {
        neighbours.time(() -> edit(own));
        Thread.sleep(PAUSE_MS);
      }
      for (Future<?> each : all) {
        each.get();
      }
    } finally {
      threads.shutdownNow();
    }
    return new Result(name, statuses, asked, neighbours);
  }

  private void edit(long shot) {
    String edit =
        "{\"revision\":1000000,\"edits\":[{\"edit\":\"set-values\",\"id\":\"keeper\",\"frame\":1001,"
            + "\"values\":{\"x\":"
            + System.nanoTime() % 1000
            + "},\"keying\":\"still\"}]}";
    RunningApp.Answer answer =
        app.send(
            app.request("/api/shots/" + shot + "/edits")
                .header("Authorization", neighbour)
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(edit)));
    if (answer.status() != 200) {
      throw new IllegalStateException(answer.text());
    }
  }
}
