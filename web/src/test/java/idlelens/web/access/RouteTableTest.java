package idlelens.web.access;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.io.IOException;
import java.io.InputStream;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Every route that there is, called as everybody who may call; a new one is in here by itself. */
@ExtendWith(IdleLensExtension.class)
class RouteTableTest {
  private static final Path TABLE = Path.of("../docs/routes.md");

  @Test
  void table_inTheDocumentation_isThatOfTheRoutes(RunningApp app) throws IOException {
    String table =
        Routes.of(app).stream().map(Routes.Route::line).collect(Collectors.joining("\n"));
    String written = Files.readString(TABLE);
    String head = written.substring(0, written.indexOf("| --- |"));
    String rule = "| --- | --- | --- | --- | --- | --- |\n";
    if (!written.equals(head + rule + table + "\n")) {
      Files.writeString(Path.of("target/routes.md"), head + rule + table + "\n");
    }
    assertThat(written).as("target/routes.md has the new one").endsWith(rule + table + "\n");
  }

  @Test
  void everyRoute_answersEveryRoleAsTheTableSays(RunningApp app) throws Exception {
    Map<Routes.Caller, String> basic = new EnumMap<>(Routes.Caller.class);
    app.addAccount("route-outsider", "route-outsider-password");
    basic.put(
        Routes.Caller.OUTSIDER, RunningApp.basic("route-outsider", "route-outsider-password"));
    basic.put(Routes.Caller.VIEWER, app.addMember("route-viewer", "viewer"));
    basic.put(Routes.Caller.ARTIST, app.addMember("route-artist", "artist"));
    basic.put(Routes.Caller.OWNER, app.addMember("route-owner", "owner"));
    List<Routes.Route> routes = Routes.of(app);
    assertThat(routes).hasSizeGreaterThan(35);
    for (Routes.Route route : routes) {
      long shot = app.copyOf("Two cameras"); // the last to call, an owner, may delete it
      for (Routes.Caller caller : Routes.Caller.values()) {
        int status = call(app, route, shot, basic.get(caller));
        assertThat(said(status)).as("%s %s", caller, route).isEqualTo(route.expected(caller));
      }
      app.delete("/api/shots/" + shot);
    }
  }

  /** What a status says of the right to call; anything but a refusal of that right is a yes. */
  private static String said(int status) {
    return switch (status) {
      case 401 -> "401";
      case 403 -> "403";
      case 404 -> "404";
      case 302 -> "log-in";
      default -> "yes";
    };
  }

  private static int call(RunningApp app, Routes.Route route, long shot, String basic)
      throws Exception {
    long production = app.demoProduction();
    String path =
        route
            .path()
            .replace("{id}", Long.toString(shot))
            .replace("{production}", Long.toString(production))
            .replace("{format}", "json")
            .replace("{version}", "0")
            .replaceAll("\\{(name|work|asset)}", "nobody");
    HttpRequest.Builder request =
        app.request(path + needed(route))
            .method(route.method(), HttpRequest.BodyPublishers.ofString(route.body()))
            .header("Content-Type", route.takes())
            .header("Accept", route.path().startsWith("/api/") ? "*/*" : "text/html");
    if (basic != null) {
      request.header("Authorization", basic);
    }
    HttpResponse<InputStream> answer =
        HttpClient.newHttpClient().send(request.build(), HttpResponse.BodyHandlers.ofInputStream());
    answer.body().close(); // events never end by themselves
    app.post("/api/productions/" + production + "/restore", ""); // one route deletes it
    return answer.statusCode() == 404 && isOfAnotherThing(route, basic) ? 200 : answer.statusCode();
  }

  /** Where a route names a second thing, which is not there either, the 404 is about that. */
  private static boolean isOfAnotherThing(Routes.Route route, String basic) {
    boolean second =
        route.path().matches(".*\\{(version|name|work|asset)}.*")
            || route.path().endsWith("/picture");
    boolean outsider =
        basic != null
            && basic.equals(RunningApp.basic("route-outsider", "route-outsider-password"));
    return second && !(outsider && route.right().role().isPresent());
  }

  private static String needed(Routes.Route route) {
    if (route.path().endsWith("/picture")) {
      return "?revision=1";
    }
    if (route.path().endsWith("/events")) {
      return "?window=routes";
    }
    if (route.path().endsWith("/difference")) {
      return "?from=1&to=1";
    }
    return route.path().endsWith("/changes") ? "?since=1" : "";
  }
}
