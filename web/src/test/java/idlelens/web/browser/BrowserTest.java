package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonObject;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.Cookie;
import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;

/**
 * What tests of pages share: a real browser, logged in, whose console must stay clean. It keeps
 * what it fetched from one test to the next, but no page, no log-in and nothing that a page
 * remembered.
 */
@ExtendWith({IdleLensExtension.class, BrowserExtension.class})
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class BrowserTest {
  private static final String STATE =
      "() => JSON.stringify([idleLens.store.revision, idleLens.store.saving,"
          + " idleLens.desk.chosen.picks(), idleLens.desk.frame, idleLens.desk.selected,"
          + " idleLens.store.shown, [...document.querySelectorAll('.toast-line')].map((e) =>"
          + " e.textContent)])";

  private static BrowserContext shared;

  /** What all tests log in with, until one of them ends that. */
  private static List<Cookie> loggedIn;

  private Browser browser;
  private boolean remembers;
  protected RunningApp app;
  protected BrowserContext context;
  protected final List<String> complaints = new ArrayList<>();

  @BeforeAll
  void takeBrowser(RunningApp running, Browser started) {
    app = running;
    browser = started;
  }

  @BeforeEach
  void openContext() {
    if (shared == null) {
      Browser.NewContextOptions options = new Browser.NewContextOptions();
      shared = browser.newContext(options.setViewportSize(1280, 800).setAcceptDownloads(true));
    }
    context = shared;
    context.clearCookies();
    if (loggedIn == null) {
      loggedIn = logIn(context.newPage());
    }
    context.addCookies(loggedIn);
    remembers = true;
    complaints.clear();
  }

  /** The next test logs in anew, since this one ended the log-in of all. */
  protected void forgetLogIn() {
    loggedIn = null;
  }

  private List<Cookie> logIn(Page page) {
    page.navigate(app.address() + "/login");
    page.fill("[name=username]", "demo");
    page.fill("[name=password]", "tern-quay");
    page.click("button[type=submit]");
    page.waitForURL(app.address() + "/");
    page.close();
    return context.cookies();
  }

  @AfterEach
  void consoleStaysClean() {
    List.copyOf(context.pages()).forEach(Page::close);
    assertThat(complaints).as("complaints of the browser").isEmpty();
  }

  /** Empties what pages of other tests remember in the browser. */
  private void forget(Page page) {
    JsonObject what = new JsonObject();
    what.addProperty("origin", app.address());
    what.addProperty("storageTypes", "local_storage");
    context.newCDPSession(page).send("Storage.clearDataForOrigin", what);
    remembers = false;
  }

  /** A page that writes down errors, warnings, and answers from 400 on. */
  protected Page newPage() {
    Page page = context.newPage();
    if (remembers) {
      forget(page);
    }
    page.onConsoleMessage(
        message -> {
          boolean bad = message.type().equals("error") || message.type().equals("warning");
          if (bad && !message.text().contains("GPU stall due to ReadPixels")) {
            complaints.add(message.type() + ": " + message.text());
          }
        });
    page.onPageError(error -> complaints.add("uncaught: " + error));
    page.onResponse(
        response -> {
          if (response.status() >= 400) {
            complaints.add(response.status() + " " + response.url());
          }
        });
    return page;
  }

  /** Opens the Floor of a shot and waits until it is there. */
  protected Page openFloor(long shot) {
    Page page = newPage();
    page.navigate(app.address() + "/shots/" + shot);
    page.waitForSelector("[data-ready]");
    page.waitForFunction(
        "() => [...idleLens.store.drawn].every((id) => idleLens.store.motion.get(id)?.curves)");
    twoFrames(page);
    return page;
  }

  /** Opens the Curves view of a shot with a node selected, and waits until its curves are there. */
  protected Page openCurves(long shot, String node) {
    Page page = newPage();
    page.navigate(app.address() + "/shots/" + shot + "/curves");
    page.waitForSelector("[data-ready]");
    page.evaluate("id => idleLens.desk.select(id)", node);
    page.waitForFunction(
        "id => idleLens.store.motion.get(id).curves && idleLens.curves.graph.drawn?.[0]?.id === id",
        node);
    return page;
  }

  /** Waits until all that is drawn of a node that was just selected is there. */
  protected static void settle(Page page, String node) {
    page.waitForFunction("id => idleLens.store.motion.get(id).curves", node);
    twoFrames(page);
  }

  /** Waits until what is drawn with the next picture is there. */
  protected static void twoFrames(Page page) {
    page.evaluate(
        "() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))");
  }

  /** Where a key stands in the graph, in pixels of the page. */
  protected static double[] keyAt(Page page, String node, String channel, double frame) {
    List<?> at =
        (List<?>)
            page.evaluate(
                "([id, c, f]) => { const b ="
                    + " document.querySelector('svg.graph').getBoundingClientRect(); const [x, y] ="
                    + " idleLens.curves.graph.at(id, c, f); return [b.x + x, b.y + y]; }",
                List.of(node, channel, frame));
    return new double[] {((Number) at.get(0)).doubleValue(), ((Number) at.get(1)).doubleValue()};
  }

  /** Presses at a place, drags by some pixels in steps, and lets go. */
  protected static void drag(Page page, double[] from, double dx, double dy) {
    page.mouse().move(from[0], from[1]);
    page.mouse().down();
    for (int i = 1; i <= 4; i++) {
      page.mouse().move(from[0] + dx * i / 4, from[1] + dy * i / 4);
    }
    page.mouse().up();
  }

  /** The middle of an element. */
  protected static double[] middle(Locator element) {
    BoundingBox box = box(element);
    return new double[] {box.x + box.width / 2, box.y + box.height / 2};
  }

  /** Where an element stands once it no longer moves and is not drawn anew from frame to frame. */
  protected static BoundingBox box(Locator element) {
    BoundingBox before = null;
    for (int attempt = 0; attempt < 200; attempt++) {
      BoundingBox now = element.boundingBox();
      if (now != null && before != null && same(before, now)) {
        return now;
      }
      before = now;
      twoFrames(element.page());
    }
    throw new AssertionError(element + " does not come to rest; last seen at " + before);
  }

  private static boolean same(BoundingBox a, BoundingBox b) {
    return a.x == b.x && a.y == b.y && a.width == b.width && a.height == b.height;
  }

  /** Waits until the server is at a revision of a shot and the page has drawn it. */
  protected void waitForRevision(Page page, int revision) {
    try {
      page.waitForFunction(
          "r => idleLens.store.revision >= r && idleLens.store.saving.state === 'saved'", revision);
    } catch (TimeoutError late) {
      throw new AssertionError(
          "The page did not come to revision " + revision + "; it is at " + page.evaluate(STATE),
          late);
    }
    twoFrames(page);
  }

  /** The number that a script of the page gives. */
  protected static double number(Page page, String script) {
    return ((Number) page.evaluate(script)).doubleValue();
  }

  /** A number field of the settings, by its label. */
  protected static Locator field(Page page, String label) {
    return page.locator(".settings input[aria-label='" + label + "']");
  }

  /** Gives an element the focus as somebody does who walks with the keyboard. */
  protected static void walkTo(Page page, String selector) {
    page.focus(selector);
    page.keyboard().press("Shift+Tab");
    page.keyboard().press("Tab");
  }

  /** Types into a number field and presses Enter. */
  protected static void type(Page page, String label, String text) {
    field(page, label).click();
    field(page, label).fill(text);
    field(page, label).press("Enter");
  }
}
