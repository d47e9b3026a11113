package idlelens.web.browser;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Playwright;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;

/** Starts Debian's Chromium once for all tests and hands it to them as a {@link Browser}. */
final class BrowserExtension implements ParameterResolver {
  private static final ExtensionContext.Namespace SPACE =
      ExtensionContext.Namespace.create(BrowserExtension.class);
  private static final Path CHROMIUM = Path.of("/usr/bin/chromium");

  /** The browser; ends with the test run. */
  private record Started(Playwright playwright, Browser browser) implements AutoCloseable {
    static Started start() {
      Playwright playwright =
          Playwright.create(
              new Playwright.CreateOptions()
                  .setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
      BrowserType.LaunchOptions options =
          new BrowserType.LaunchOptions()
              .setExecutablePath(CHROMIUM)
              .setArgs(
                  List.of(
                      "--no-sandbox",
                      "--enable-unsafe-swiftshader",
                      "--disable-background-networking",
                      "--disable-component-update",
                      "--no-first-run"));
      return new Started(playwright, playwright.chromium().launch(options));
    }

    @Override
    public void close() {
      browser.close();
      playwright.close();
    }
  }

  @Override
  public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
    return parameter.getParameter().getType() == Browser.class;
  }

  @Override
  public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
    return context
        .getRoot()
        .getStore(SPACE)
        .getOrComputeIfAbsent("browser", key -> Started.start(), Started.class)
        .browser();
  }
}
