package idlelens.web.account;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.InputStream;
import java.io.PrintStream;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.security.crypto.password.PasswordEncoder;

/** Log-in as a browser does it, and by HTTP Basic. */
@ExtendWith(IdleLensExtension.class)
class LoginTest {
  private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\" value=\"([^\"]+)\"");

  private RunningApp app;

  @BeforeEach
  void takeApp(RunningApp running) {
    app = running;
  }

  /** A browser with its cookies. */
  private static final class Browser {
    private final String address;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient http =
        HttpClient.newBuilder()
            .cookieHandler(cookies)
            .followRedirects(HttpClient.Redirect.NORMAL)
            .build();

    Browser(String address) {
      this.address = address;
    }

    HttpResponse<String> get(String path) throws Exception {
      return http.send(
          HttpRequest.newBuilder(URI.create(address + path)).header("Accept", "text/html").build(),
          HttpResponse.BodyHandlers.ofString());
    }

    HttpResponse<String> post(String path, String form) throws Exception {
      return http.send(
          HttpRequest.newBuilder(URI.create(address + path))
              .header("Content-Type", "application/x-www-form-urlencoded")
              .POST(HttpRequest.BodyPublishers.ofString(form))
              .build(),
          HttpResponse.BodyHandlers.ofString());
    }

    HttpResponse<String> logIn(String name, String password) throws Exception {
      Matcher token = TOKEN.matcher(get("/login").body());
      assertThat(token.find()).isTrue();
      return post(
          "/login",
          "_csrf="
              + URLEncoder.encode(token.group(1), StandardCharsets.UTF_8)
              + "&username="
              + name
              + "&password="
              + password);
    }

    boolean hasSession() {
      return cookies.getCookieStore().getCookies().stream()
          .anyMatch(c -> c.getName().equals("IDLELENS"));
    }
  }

  @Test
  void strangers_makeNoSessions_andALogInLeadsWhereOneWantedToGo() throws Exception {
    Browser browser = new Browser(app.address());
    long shot = app.demoShot("Quay walk");
    assertThat(browser.get("/shots/" + shot).uri().getPath()).isEqualTo("/login");
    browser.get("/nowhere");
    browser.get("/api/shots");
    assertThat(browser.hasSession()).isFalse();
    HttpResponse<String> in = browser.logIn("demo", "tern-quay");
    assertThat(in.statusCode()).isEqualTo(200);
    assertThat(in.uri().getPath()).isEqualTo("/shots/" + shot);
    assertThat(browser.hasSession()).isTrue();
  }

  @Test
  void logIn_withoutTheTokenOfItsForm_isRefused() throws Exception {
    Browser browser = new Browser(app.address());
    browser.get("/login");
    assertThat(browser.post("/login", "username=demo&password=tern-quay").statusCode())
        .isEqualTo(403);
    assertThat(browser.hasSession()).isFalse();
  }

  @Test
  void anotherPassword_endsTheLogInsThatStand_andBasicAtOnce() throws Exception {
    app.addAccount("changes-often", "first-password");
    Browser browser = new Browser(app.address());
    browser.logIn("changes-often", "first-password");
    assertThat(browser.get("/").uri().getPath()).isEqualTo("/");
    assertThat(basic("changes-often", "first-password")).isEqualTo(200);
    PasswordEncoder encoder = app.bean(PasswordEncoder.class);
    app.bean(AccountRepository.class)
        .setPassword("changes-often", encoder.encode("second-password"));
    assertThat(browser.get("/").uri().getPath()).isEqualTo("/login");
    assertThat(basic("changes-often", "first-password")).isEqualTo(401);
    assertThat(basic("changes-often", "second-password")).isEqualTo(200);
    app.bean(AccountRepository.class).remove("changes-often");
    assertThat(basic("changes-often", "second-password")).isEqualTo(401);
  }

  private int basic(String name, String password) {
    return app.send(
            app.request("/api/shots")
                .header("Authorization", RunningApp.basic(name, password))
                .GET())
        .status();
  }

  @Test
  void guesses_areLocked_alsoForTheRightPassword_andSaidOnThePage() throws Exception {
    app.addAccount("often-guessed", "right-password");
    for (int i = 0; i < 6; i++) {
      assertThat(basic("often-guessed", "wrong" + i)).isIn(401, 429);
    }
    assertThat(basic("often-guessed", "right-password")).isEqualTo(429);
    HttpResponse<String> page = new Browser(app.address()).logIn("often-guessed", "right-password");
    assertThat(page.body()).contains("Too many wrong passwords. Try again in");
    assertThat(basic("demo", "tern-quay")).isEqualTo(200);
  }

  @Test
  void names_areTheSameOnlyIfWrittenTheSame() {
    app.addAccount("Café", "with-an-accent");
    assertThat(basic("Cafe", "with-an-accent")).isEqualTo(401);
    assertThat(basic("DEMO", "tern-quay")).isEqualTo(401);
    assertThat(basic("demo ", "tern-quay")).isEqualTo(401);
  }

  @Test
  void command_addsAndRemovesAccounts_whileTheApplicationRuns() {
    Map<String, String> environment =
        Map.of("IDLE_LENS_VAR", app.databaseFolder().getParent().toString());
    assertThat(command(environment, "list")).contains("demo");
    assertThat(command(environment, "remove", "nobody-of-that-name")).contains("is not there");
    InputStream in = System.in;
    System.setIn(new ByteArrayInputStream("short\n".getBytes(StandardCharsets.UTF_8)));
    assertThat(command(environment, "add", "goes-soon")).contains("at least 8");
    System.setIn(new ByteArrayInputStream("some-password\n".getBytes(StandardCharsets.UTF_8)));
    assertThat(command(environment, "add", "goes-soon", "Goes Soon")).contains("can log in now");
    System.setIn(in);
    assertThat(basic("goes-soon", "some-password")).isEqualTo(200);
    assertThat(command(environment, "list")).contains("goes-soon");
    assertThat(command(environment, "remove", "goes-soon")).contains("can no longer log in");
    assertThat(command(environment, "list")).doesNotContain("goes-soon");
    assertThat(basic("goes-soon", "some-password")).isEqualTo(401);
    assertThat(command(environment, "frobnicate")).contains("bin/account add NAME");
    assertThat(Path.of(environment.get("IDLE_LENS_VAR"))).exists();
    assertThat(basic("demo", "tern-quay")).isEqualTo(200);
  }

  private static String command(Map<String, String> environment, String... arguments) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    AccountCommand.run(arguments, environment, new PrintStream(out, true, StandardCharsets.UTF_8));
    return out.toString(StandardCharsets.UTF_8);
  }
}
