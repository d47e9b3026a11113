package idlelens.web.proxy;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.Response;
import com.microsoft.playwright.options.Cookie;
import idlelens.web.app.ApplicationProcess;
import idlelens.web.app.IdleLensExtension;
import idlelens.web.wire.Peer;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/**
 * Behind nginx, which adds TLS with a certificate made on the spot, as {@code operating.md} says.
 */
class TlsProxyTest {
  private static final String CONFIGURATION =
      """
      daemon off; pid %1$s/nginx.pid; error_log %1$s/error.log; worker_processes 1;
      events { worker_connections 256; }
      http {
        access_log off;
        client_body_temp_path %1$s/body; proxy_temp_path %1$s/proxy;
        fastcgi_temp_path %1$s/fastcgi; uwsgi_temp_path %1$s/uwsgi; scgi_temp_path %1$s/scgi;
        server {
          listen 127.0.0.1:%2$d ssl;
          server_name quay.example;
          ssl_certificate %1$s/certificate.pem; ssl_certificate_key %1$s/key.pem;
          client_max_body_size 80m;
          location / {
            proxy_pass http://127.0.0.1:%3$d;
            proxy_http_version 1.1;
            proxy_set_header Host $host;
            proxy_set_header Connection "";
            proxy_set_header X-Forwarded-For $remote_addr;
            proxy_set_header X-Forwarded-Proto $scheme;
            proxy_set_header X-Forwarded-Port %2$d;
            proxy_buffering off;
          }
        }
      }
      """;

  private static Path folder;
  private static ApplicationProcess application;
  private static Process nginx;
  private static int port;

  @BeforeAll
  static void startBoth() throws Exception {
    folder = Files.createTempDirectory("idle-lens-proxy");
    application =
        ApplicationProcess.begin(
            folder,
            "512m",
            Map.of("IDLE_LENS_FORWARDED", "native", "IDLE_LENS_HOSTS", "quay.example"));
    run(
            "openssl",
            "req",
            "-x509",
            "-newkey",
            "rsa:2048",
            "-nodes",
            "-days",
            "2",
            "-subj",
            "/CN=quay.example",
            "-keyout",
            folder + "/key.pem",
            "-out",
            folder + "/certificate.pem")
        .waitFor(30, TimeUnit.SECONDS);
    application.waitUntilUp();
    port = ApplicationProcess.freePort();
    int behind = application.app().port();
    Files.writeString(folder.resolve("nginx.conf"), CONFIGURATION.formatted(folder, port, behind));
    nginx = run("/usr/sbin/nginx", "-c", folder + "/nginx.conf", "-p", folder.toString());
    waitUntilItListens();
  }

  private static void waitUntilItListens() throws InterruptedException {
    for (int i = 0; i < 200; i++) {
      try (Peer peer = new Peer(port)) {
        peer.say("");
        return;
      } catch (IOException notYet) {
        Thread.sleep(100);
      }
    }
    throw new AssertionError("The proxy did not come up");
  }

  private static Process run(String... command) throws IOException {
    return new ProcessBuilder(command)
        .redirectErrorStream(true)
        .redirectOutput(folder.resolve("proxy.log").toFile())
        .start();
  }

  @AfterAll
  static void endBoth() throws Exception {
    nginx.destroy();
    nginx.waitFor(10, TimeUnit.SECONDS);
    application.close();
    IdleLensExtension.deleteFolder(folder);
  }

  @Test
  void logInAndWork_throughTls_withSecureCookiesAndNoTrouble() {
    List<String> troubles = new ArrayList<>();
    try (Playwright playwright = Playwright.create();
        Browser browser =
            playwright
                .chromium()
                .launch(
                    new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium"))
                        .setArgs(
                            List.of(
                                "--no-sandbox",
                                "--use-gl=swiftshader",
                                "--enable-unsafe-swiftshader",
                                "--host-resolver-rules=MAP quay.example 127.0.0.1")))) {
      Page page =
          browser.newContext(new Browser.NewContextOptions().setIgnoreHTTPSErrors(true)).newPage();
      page.onConsoleMessage(
          m -> {
            if (m.type().equals("error")) {
              troubles.add(m.text());
            }
          });
      String address = "https://quay.example:" + port;
      long shot = application.app().demoShot("Two cameras");
      Response first = page.navigate(address + "/shots/" + shot);
      assertThat(page.url()).isEqualTo(address + "/login");
      assertThat(first.headers()).containsEntry("strict-transport-security", "max-age=31536000");
      page.fill("input[name=username]", "demo");
      page.fill("input[name=password]", "tern-quay");
      page.click("button[type=submit]");
      page.waitForSelector("#floor[data-ready=true]");
      assertThat(page.url()).startsWith(address + "/shots/" + shot);
      Cookie session =
          page.context().cookies().stream()
              .filter(c -> c.name.equals("IDLELENS"))
              .findFirst()
              .orElseThrow();
      assertThat(session.secure).isTrue();
      assertThat(session.httpOnly).isTrue();
      page.waitForFunction("document.getElementById('people').textContent.startsWith('you')");
      page.click("#help"); // the page's own script runs under the content policy
      assertThat(troubles).isEmpty();
    }
  }

  @Test
  void redirects_leadBackToHttps_andOtherHostsAreRefused() throws Exception {
    assertThat(head("/", "quay.example")).contains("302").doesNotContain("http://");
    assertThat(head("/login", "elsewhere.example")).contains("421");
  }

  private static String head(String path, String host) throws Exception {
    try (Peer peer = Peer.tls(port)) {
      return peer.ask("GET", path, "Host: " + host, "Accept: text/html").hear("\r\n\r\n");
    }
  }
}
