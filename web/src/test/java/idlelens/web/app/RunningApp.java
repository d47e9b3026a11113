package idlelens.web.app;

import idlelens.exchange.json.JsonPlace;
import idlelens.web.account.AccountRepository;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Base64;
import java.util.Map;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.security.crypto.password.PasswordEncoder;
import tools.jackson.databind.JsonNode;

/** The running application, spoken to over HTTP as the demo artist. */
public final class RunningApp {
  private final String address;
  private final Path databaseFolder;
  private final ConfigurableApplicationContext context;
  private final HttpClient http = HttpClient.newHttpClient();

  /** An application in another process. */
  public RunningApp(String address, Path databaseFolder) {
    this(address, databaseFolder, null);
  }

  RunningApp(String address, Path databaseFolder, ConfigurableApplicationContext context) {
    this.address = address;
    this.databaseFolder = databaseFolder;
    this.context = context;
  }

  /** Adds an account, straight into the database. */
  public void addAccount(String name, String password) {
    context
        .getBean(AccountRepository.class)
        .add(name, name, context.getBean(PasswordEncoder.class).encode(password));
  }

  /** Gives an account another password, as the command does. */
  public void setPassword(String name, String password) {
    context
        .getBean(AccountRepository.class)
        .setPassword(name, context.getBean(PasswordEncoder.class).encode(password));
  }

  /** Adds an account that has a role in the demo production; gives its Basic header. */
  public String addMember(String name, String role) {
    addAccount(name, name + "-password");
    Answer put =
        send(
            demoRequest("/api/productions/" + demoProduction() + "/members/" + name)
                .PUT(HttpRequest.BodyPublishers.ofString("{\"role\":\"" + role + "\"}")));
    if (put.status() != 204) {
      throw new IllegalStateException(put.text());
    }
    return basic(name, name + "-password");
  }

  public Path databaseFolder() {
    return databaseFolder;
  }

  /** The port on loopback. */
  public int port() {
    return URI.create(address).getPort();
  }

  /** A part of the application itself. */
  public <T> T bean(Class<T> type) {
    return context.getBean(type);
  }

  /** The one of that name, where there are several of a type. */
  public <T> T bean(String name, Class<T> type) {
    return context.getBean(name, type);
  }

  /** Ends the private database server at once, as a power cut would. */
  public void killDatabase() {
    try {
      long id = Long.parseLong(Files.readString(databaseFolder.resolve("server.pid")).strip());
      ProcessHandle.of(id).orElseThrow().destroyForcibly();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  public String address() {
    return address;
  }

  /** An answer, with its body as octets. */
  public record Answer(int status, byte[] body, java.net.http.HttpHeaders headers) {
    public JsonNode json() {
      return JsonPlace.mapper().readTree(body);
    }

    public String text() {
      return new String(body, StandardCharsets.UTF_8);
    }
  }

  public HttpRequest.Builder request(String path) {
    return HttpRequest.newBuilder(URI.create(address + path));
  }

  /** A request with the demo artist's name and password. */
  public HttpRequest.Builder demoRequest(String path) {
    return request(path).header("Authorization", basic("demo", "tern-quay"));
  }

  public static String basic(String name, String password) {
    String both = name + ":" + password;
    return "Basic " + Base64.getEncoder().encodeToString(both.getBytes(StandardCharsets.UTF_8));
  }

  public Answer send(HttpRequest.Builder request) {
    try {
      HttpResponse<byte[]> response =
          http.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
      return new Answer(response.statusCode(), response.body(), response.headers());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  public Answer get(String path) {
    return send(demoRequest(path).GET());
  }

  public Answer post(String path, String json) {
    return send(
        demoRequest(path)
            .header("Content-Type", "application/json")
            .POST(HttpRequest.BodyPublishers.ofString(json)));
  }

  /** What an octet call answers in its head. */
  public JsonNode head(String path) {
    byte[] body = send(demoRequest(path).header("Accept", "application/octet-stream").GET()).body();
    int length = ByteBuffer.wrap(body).order(ByteOrder.LITTLE_ENDIAN).getInt(4);
    return JsonPlace.mapper().readTree(Arrays.copyOfRange(body, 8, 8 + length));
  }

  public Answer delete(String path) {
    return send(demoRequest(path).DELETE());
  }

  /** Sends files and fields as a form. */
  public Answer upload(String path, Map<String, byte[]> files, Map<String, String> fields) {
    String mark = "idle-lens-part";
    ByteArrayOutputStream body = new ByteArrayOutputStream();
    files.forEach(
        (name, content) -> {
          body.writeBytes(
              ("--"
                      + mark
                      + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\""
                      + name
                      + "\"\r\nContent-Type: application/octet-stream\r\n\r\n")
                  .getBytes(StandardCharsets.UTF_8));
          body.writeBytes(content);
          body.writeBytes("\r\n".getBytes(StandardCharsets.UTF_8));
        });
    fields.forEach(
        (name, value) ->
            body.writeBytes(
                ("--"
                        + mark
                        + "\r\nContent-Disposition: form-data; name=\""
                        + name
                        + "\"\r\n\r\n"
                        + value
                        + "\r\n")
                    .getBytes(StandardCharsets.UTF_8)));
    body.writeBytes(("--" + mark + "--\r\n").getBytes(StandardCharsets.UTF_8));
    return send(
        demoRequest(path)
            .header("Content-Type", "multipart/form-data; boundary=" + mark)
            .POST(HttpRequest.BodyPublishers.ofByteArray(body.toByteArray())));
  }

  /** The id of the demo shot with that name. */
  public long demoShot(String name) {
    for (JsonNode shot : get("/api/shots").json()) {
      if (shot.get("name").stringValue().equals(name)) {
        return shot.get("id").longValue();
      }
    }
    throw new IllegalArgumentException(name);
  }

  public long demoProduction() {
    return get("/api/productions").json().get(0).get("id").longValue();
  }

  /** A copy of a demo shot, for a test to change. */
  public long copyOf(String name) {
    Answer answer =
        post("/api/shots/" + demoShot(name) + "/duplicate", "{\"name\":\"" + name + " copy\"}");
    return answer.json().get("id").longValue();
  }

  public long revision(long shot) {
    return Long.parseLong(
        get("/api/shots/" + shot).headers().firstValue("Idle-Lens-Revision").orElseThrow());
  }

  /** Sends edits made on the newest revision. */
  public Answer edit(long shot, String edits) {
    return post(
        "/api/shots/" + shot + "/edits",
        "{\"revision\":" + revision(shot) + ",\"edits\":[" + edits + "]}");
  }

  /** A part of a node's chain in the newest document. */
  public JsonNode part(long shot, String id, String part) {
    for (JsonNode each : node(shot, id).get("chain")) {
      boolean named = each.has("id") && each.get("id").stringValue().equals(part);
      if (named || each.get("part").stringValue().equals(part)) {
        return each;
      }
    }
    throw new IllegalArgumentException(part);
  }

  /** The id of what carries a node in the newest document. */
  public String carrier(long shot, String id) {
    return part(shot, id, "carried").get("by").get(0).get("node").stringValue();
  }

  /** The node of that id in the newest document. */
  public JsonNode node(long shot, String id) {
    for (JsonNode node : get("/api/shots/" + shot).json().get("nodes")) {
      if (node.get("id").stringValue().equals(id)) {
        return node;
      }
    }
    throw new IllegalArgumentException(id);
  }
}
