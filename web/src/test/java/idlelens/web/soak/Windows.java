package idlelens.web.soak;

import idlelens.web.app.RunningApp;
import idlelens.web.wire.Peer;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Many windows on one shot, deaf ones and such that hear; and many who post slowly. */
final class Windows implements AutoCloseable {
  private final RunningApp app;
  private final List<Peer> peers = new ArrayList<>();

  Windows(RunningApp app) {
    this.app = app;
  }

  private Peer peer() throws IOException {
    Peer peer = new Peer(app.port());
    peers.add(peer);
    return peer;
  }

  private Peer listener(long shot, int number) throws IOException {
    return peer()
        .ask(
            "GET",
            "/api/shots/" + shot + "/events?window=w" + number,
            "Authorization: " + RunningApp.basic("demo", "tern-quay"));
  }

  private void rename(long shot, int number) {
    RunningApp.Answer answer =
        app.edit(
            shot, "{\"edit\":\"rename\",\"id\":\"keeper\",\"name\":\"Keeper " + number + "\"}");
    if (answer.status() != 200) {
      throw new IllegalStateException(answer.text());
    }
  }

  /** Opens listeners, and times the opening, the first edit, and until all have heard of it. */
  String hearing(int count) throws IOException {
    long shot = app.copyOf("Two cameras");
    long start = System.nanoTime();
    for (int i = 0; i < count; i++) {
      listener(shot, i);
    }
    for (Peer peer : peers) {
      peer.hear("event:revision");
    }
    double opened = (System.nanoTime() - start) / 1e6;
    Latencies first = new Latencies();
    start = System.nanoTime();
    first.time(() -> rename(shot, 1));
    for (Peer peer : peers) {
      peer.hear("Keeper 1");
    }
    double heard = (System.nanoTime() - start) / 1e6;
    return String.format(
        Locale.ROOT,
        "%d listeners open in %.0f ms; the first edit %.0f ms; all have heard after %.0f ms",
        count,
        opened,
        first.largest(),
        heard);
  }

  /** Edits while windows do not read. */
  String deaf(int count, int edits) throws IOException {
    long shot = app.copyOf("Two cameras");
    for (int i = 0; i < count; i++) {
      listener(shot, i);
    }
    Latencies all = new Latencies();
    for (int i = 0; i < edits; i++) {
      int number = i;
      all.time(() -> rename(shot, number));
    }
    return count + " deaf windows, edits: " + all.words();
  }

  /** Health and a read while strangers post slowly. */
  String slowPosts(int count) throws IOException {
    for (int i = 0; i < count; i++) {
      peer().ask("POST", "/login", "Content-Length: 400").say("u");
    }
    Latencies health = new Latencies();
    Latencies reads = new Latencies();
    for (int i = 0; i < 20; i++) {
      health.time(() -> app.send(app.request("/api/health").GET()));
      reads.time(() -> app.get("/api/shots"));
    }
    return String.format(
        Locale.ROOT,
        "%d slow posts of strangers: health %.0f ms, a read %.0f ms at most",
        count,
        health.largest(),
        reads.largest());
  }

  @Override
  public void close() throws IOException {
    for (Peer peer : peers) {
      peer.close();
    }
  }
}
