package idlelens.web.handoff;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Two people who bring files into one shot at the very same moment. */
@ExtendWith(IdleLensExtension.class)
class ImportsAtOnceTest {
  private static final int ROUNDS = 6;

  /** The answers to both, sent together. */
  private static List<RunningApp.Answer> both(
      Callable<RunningApp.Answer> one, Callable<RunningApp.Answer> two) throws Exception {
    ExecutorService threads = Executors.newFixedThreadPool(2);
    CyclicBarrier start = new CyclicBarrier(2);
    try {
      List<Future<RunningApp.Answer>> asked = new ArrayList<>();
      for (Callable<RunningApp.Answer> each : List.of(one, two)) {
        asked.add(
            threads.submit(
                () -> {
                  start.await();
                  return each.call();
                }));
      }
      return List.of(asked.get(0).get(), asked.get(1).get());
    } finally {
      threads.shutdownNow();
    }
  }

  /** Each is taken whole or refused as made meanwhile; nothing of either is lost or mixed. */
  @Test
  void ontoOneCamera_eachIsTakenWhole_orRefused(RunningApp app) throws Exception {
    long shot = app.copyOf("Two cameras");
    String production = "/api/productions/" + app.demoProduction() + "/imports";
    byte[] here = app.get("/api/shots/" + shot + "/export/usda?camera=a-cam").body();
    byte[] there = app.get("/api/shots/" + shot + "/export/usda?camera=b-cam").body();
    List<String> wanted = List.of(row(app, shot, "a-cam"), row(app, shot, "b-cam"));
    Map<String, String> onto = Map.of("shot", Long.toString(shot), "onto", "b-cam");
    for (int round = 0; round < ROUNDS; round++) {
      long before = app.revision(shot);
      List<RunningApp.Answer> answers =
          both(
              () -> app.upload(production, Map.of("a.usda", here), onto),
              () -> app.upload(production, Map.of("b.usda", there), onto));
      List<Integer> statuses = answers.stream().map(RunningApp.Answer::status).toList();
      assertThat(statuses).contains(201).isSubsetOf(201, 409);
      long taken = statuses.stream().filter(s -> s == 201).count();
      assertThat(app.revision(shot)).isEqualTo(before + taken);
      assertThat(wanted).anyMatch(row -> isSamePlace(row, row(app, shot, "b-cam")));
    }
  }

  /** Into the shot, beside one another: both come in, under ids of their own. */
  @Test
  void intoOneShot_bothComeIn(RunningApp app) throws Exception {
    long shot = app.copyOf("Two cameras");
    String production = "/api/productions/" + app.demoProduction() + "/imports";
    byte[] file =
        app.get("/api/shots/" + shot + "/export/usda?camera=a-cam&company=carriers").body();
    int nodes = app.get("/api/shots/" + shot).json().get("nodes").size();
    Map<String, String> into = Map.of("shot", Long.toString(shot));
    Callable<RunningApp.Answer> one = () -> app.upload(production, Map.of("a.usda", file), into);
    List<RunningApp.Answer> answers = both(one, one);
    int came = 0;
    for (RunningApp.Answer answer : answers) {
      assertThat(answer.status()).as(answer.text()).isEqualTo(201);
      came += answer.json().get("nodes").size();
    }
    assertThat(app.get("/api/shots/" + shot).json().get("nodes").size()).isEqualTo(nodes + came);
  }

  private static String row(RunningApp app, long shot, String camera) {
    String table = app.get("/api/shots/" + shot + "/export/csv?camera=" + camera).text();
    return table.lines().filter(line -> line.startsWith("1050,")).findFirst().orElseThrow();
  }

  /** To a micrometre. */
  private static boolean isSamePlace(String one, String other) {
    String[] a = one.split(",");
    String[] b = other.split(",");
    for (int i = 1; i <= 3; i++) {
      if (Math.abs(Double.parseDouble(a[i]) - Double.parseDouble(b[i])) > 1e-6) {
        return false;
      }
    }
    return true;
  }
}
