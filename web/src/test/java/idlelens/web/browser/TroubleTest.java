package idlelens.web.browser;

import static idlelens.web.database.schema.Tables.SHOT;
import static idlelens.web.database.schema.Tables.SHOT_REVISION;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.RequestOptions;
import com.microsoft.playwright.options.WaitForSelectorState;
import idlelens.web.app.RunningApp;
import idlelens.web.shot.ShotEvents;
import java.time.LocalDateTime;
import java.util.concurrent.atomic.AtomicInteger;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;

/** What an artist sees when the log-in ends, an answer is lost, or something is not allowed. */
class TroubleTest extends BrowserTest {
  private static final String RENAME =
      "name => idleLens.store.edit([{ edit: 'rename', id: 'keeper', name }])";

  /** Ends the log-in of the page behind its back, as another tab would. */
  private void logOut(Page page) {
    forgetLogIn();
    page.evaluate(
        "() => fetch('/logout', { method: 'POST', headers: { 'X-CSRF-TOKEN':"
            + " document.querySelector('meta[name=csrf-token]').content } })");
  }

  private static void logIn(Page page, String name, String password) {
    page.fill("dialog input[name=name]", name);
    page.fill("dialog input[name=password]", password);
    page.click("dialog button[type=submit]");
  }

  /** Of what the browser complained, only that calls were answered like this is expected here. */
  private void expectOnly(String... statuses) {
    complaints.removeIf(
        c -> {
          for (String status : statuses) {
            if (c.startsWith(status + " ") || c.contains("status of " + status)) {
              return true;
            }
          }
          return c.contains("net::ERR_");
        });
    assertThat(complaints).isEmpty();
  }

  @Test
  void logInThatEnded_isAskedForInPlace_andThenAllIsTrueAgain() {
    long shot = app.copyOf("Two cameras");
    Page page = openFloor(shot);
    logOut(page);
    page.waitForSelector("dialog[aria-label='Log in again']");
    page.waitForFunction(
        "() => /You are logged out/.test(document.getElementById('saved').textContent)");
    // somebody else works meanwhile
    app.edit(shot, "{\"edit\":\"rename\",\"id\":\"keeper\",\"name\":\"Watch\"}");
    logIn(page, "demo", "wrong");
    page.waitForSelector("text=That name and password do not go together");
    logIn(page, "demo", "tern-quay");
    waitForRevision(page, 2);
    page.waitForFunction("() => /saved/.test(document.getElementById('saved').textContent)");
    // it hears again, and its own work is stored again
    app.edit(shot, "{\"edit\":\"rename\",\"id\":\"keeper\",\"name\":\"Guard\"}");
    waitForRevision(page, 3);
    page.evaluate(RENAME, "Keeper of the quay");
    waitForRevision(page, 4);
    assertThat(app.node(shot, "keeper").get("name").stringValue()).isEqualTo("Keeper of the quay");
    expectOnly("401", "403");
  }

  @Test
  void editMadeWhileLoggedOut_waits_andIsStoredOnceAfterTheLogInInAnotherTab() {
    long shot = app.copyOf("Two cameras");
    Page page = openFloor(shot);
    logOut(page);
    page.waitForSelector("dialog[aria-label='Log in again']");
    page.click("dialog >> text=Not now");
    page.evaluate("name => { (" + RENAME + ")(name) }", "Waits");
    page.waitForSelector("dialog[aria-label='Log in again']");
    assertThat(app.revision(shot)).isEqualTo(1);
    assertThat(page.textContent("#saved")).doesNotContain("· saved");
    Page other = context.newPage();
    other.navigate(app.address() + "/login");
    other.fill("[name=username]", "demo");
    other.fill("[name=password]", "tern-quay");
    other.click("button[type=submit]");
    waitForRevision(page, 2);
    assertThat(app.node(shot, "keeper").get("name").stringValue()).isEqualTo("Waits");
    assertThat(app.revision(shot)).isEqualTo(2);
    expectOnly("401", "403");
  }

  /** Lets the first call through to the server, and loses its answer. */
  private static AtomicInteger loseFirstAnswer(Page page, String pattern) {
    AtomicInteger calls = new AtomicInteger();
    page.route(
        pattern,
        route -> {
          if (calls.getAndIncrement() == 0) {
            route.fetch();
            route.abort("connectionreset");
          } else {
            route.resume();
          }
        });
    return calls;
  }

  @Test
  void lostAnswers_areAskedForAgain_andTheChangeIsMadeOnce() {
    long shot = app.copyOf("Two cameras");
    Page page = openFloor(shot);
    AtomicInteger edits = loseFirstAnswer(page, "**/edits*");
    page.evaluate(RENAME, "Once");
    waitForRevision(page, 2);
    assertThat(edits.get()).isEqualTo(2);
    assertThat(app.revision(shot)).isEqualTo(2);
    AtomicInteger undos = loseFirstAnswer(page, "**/undo*");
    page.evaluate("() => idleLens.store.undo()");
    waitForRevision(page, 3);
    assertThat(undos.get()).isEqualTo(2);
    assertThat(app.revision(shot)).isEqualTo(3);
    assertThat(app.node(shot, "keeper").get("name").stringValue()).isEqualTo("Keeper");
    expectOnly();
  }

  @Test
  void changeThatIsNotAnswered_isNotSaidToBeSaved() {
    long shot = app.copyOf("Two cameras");
    Page page = openFloor(shot);
    page.route("**/edits*", route -> route.abort("connectionreset"));
    page.evaluate("name => { (" + RENAME + ")(name) }", "Not yet");
    page.waitForFunction(
        "() => /does not answer/.test(document.getElementById('saved').textContent)");
    // what others do meanwhile does not make it saved
    app.edit(shot, "{\"edit\":\"rename\",\"id\":\"ground\",\"name\":\"Floor\"}");
    page.waitForTimeout(700);
    assertThat(page.textContent("#saved")).doesNotContain("· saved");
    page.unroute("**/edits*");
    waitForRevision(page, app.revision(shot) > 1 ? 3 : 2);
    assertThat(app.node(shot, "keeper").get("name").stringValue()).isEqualTo("Not yet");
    expectOnly("422");
  }

  @Test
  void whileOthersAreNotHeard_thePageSaysSo_andCatchesUp() {
    long shot = app.copyOf("Two cameras");
    Page page = openFloor(shot);
    page.route("**/events?*", Route::abort);
    app.bean(ShotEvents.class).endWhere(w -> w.shotId() == shot);
    page.waitForFunction(
        "() => /Not connected/.test(document.getElementById('saved').textContent)");
    app.edit(shot, "{\"edit\":\"rename\",\"id\":\"keeper\",\"name\":\"Missed\"}");
    page.unroute("**/events?*");
    waitForRevision(page, 2);
    page.waitForFunction("() => /^saved/.test(document.getElementById('saved').textContent)");
    expectOnly();
  }

  @Test
  void viewer_looksOn_andIsToldWhoMayChange() {
    app.addMember("looks-on", "viewer");
    long shot = app.copyOf("Two cameras");
    context.clearCookies();
    Page page = newPage();
    page.navigate(app.address() + "/login");
    page.fill("[name=username]", "looks-on");
    page.fill("[name=password]", "looks-on-password");
    page.click("button[type=submit]");
    page.waitForSelector("text=Quay walk");
    assertThat(page.locator(".production >> text=New shot").count()).isZero();
    assertThat(page.locator("article >> text=Delete").count()).isZero();
    page.navigate(app.address() + "/shots/" + shot);
    page.waitForSelector("[data-ready]");
    assertThat(page.locator(".header .off-tag").textContent()).isEqualTo("viewer");
    page.evaluate(RENAME, "Mine");
    page.waitForSelector("text=You are a viewer of this production");
    assertThat(app.revision(shot)).isEqualTo(1);
    expectOnly("403");
  }

  @Test
  void members_areAddedAndTakenOut_onThePage() {
    app.addAccount("joins-later", "joins-later-password");
    Page page = newPage();
    page.navigate(app.address() + "/");
    page.click("text=Members");
    page.waitForSelector("dialog >> text=Demo artist");
    page.fill("[aria-label='Name of an account']", "nobody-at-all");
    page.click(".add-member button");
    page.waitForSelector("dialog[open] >> text=an operator adds accounts");
    page.fill("[aria-label='Name of an account']", "joins-later");
    page.click(".add-member button");
    Locator row = page.locator("dialog tr", new Page.LocatorOptions().setHasText("joins-later"));
    row.waitFor();
    assertThat(row.locator("select").inputValue()).isEqualTo("artist");
    row.locator("select").selectOption("viewer");
    page.waitForTimeout(300);
    row.locator("text=Remove").click();
    row.waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
    page.locator("dialog tr", new Page.LocatorOptions().setHasText("demo"))
        .locator("text=Remove")
        .click();
    page.waitForSelector("dialog[open] >> text=A production needs an owner");
    expectOnly("422", "409");
  }

  @Test
  void shotThatIsDamaged_isShownAsSuch_andTheOthersAreThere() {
    long shot = app.copyOf("Two cameras");
    app.bean(DSLContext.class)
        .update(SHOT_REVISION)
        .set(SHOT_REVISION.SHA256, "0".repeat(64))
        .where(SHOT_REVISION.SHOT_ID.eq(shot))
        .execute();
    Page page = newPage();
    openUntilTroubleShows(page);
    assertThat(page.textContent("main")).contains("is damaged in the database", "Quay walk");
    page.navigate(app.address() + "/shots/" + shot);
    assertThat(page.textContent("main")).contains("is damaged in the database");
    assertThat(app.get("/api/shots/" + shot + "/stored").text()).contains("idle-lens/shot");
    assertThat(app.post("/api/shots/" + shot + "/set-back", "{}").text())
        .contains("No revision of this shot can be read");
    page.request()
        .delete(
            app.address() + "/api/shots/" + shot,
            RequestOptions.create()
                .setHeader("Authorization", RunningApp.basic("demo", "tern-quay")));
    expectOnly("500");
  }

  @Test
  void shotWhoseNewestRevisionIsDamaged_isSetBackFromItsCard() {
    long shot = app.copyOf("Two cameras");
    DSLContext sql = app.bean(DSLContext.class);
    sql.update(SHOT).set(SHOT.REVISION, 2L).where(SHOT.ID.eq(shot)).execute();
    sql.insertInto(SHOT_REVISION)
        .set(SHOT_REVISION.SHOT_ID, shot)
        .set(SHOT_REVISION.REVISION, 2L)
        .set(SHOT_REVISION.DOCUMENT, new byte[] {1, 2, 3})
        .set(SHOT_REVISION.SHA256, "0".repeat(64))
        .set(SHOT_REVISION.CREATED_AT, LocalDateTime.now())
        .execute();
    Page page = newPage();
    openUntilTroubleShows(page);
    Locator card = page.locator(".shot-card:has(.trouble)");
    assertThat(card.locator("text=Download").getAttribute("href")).endsWith(shot + "/stored");
    card.locator("text=Set back").click();
    page.waitForSelector("text=is as it was at revision 1");
    assertThat(app.get("/api/shots/" + shot).status()).isEqualTo(200);
    assertThat(app.revision(shot)).isEqualTo(3);
    assertThat(app.post("/api/shots/" + shot + "/undo", "").status()).isEqualTo(409);
  }

  /** A card says so once its plan could not be drawn. */
  private void openUntilTroubleShows(Page page) {
    for (int i = 0; i < 30; i++) {
      page.navigate(app.address() + "/");
      if (page.locator("text=This shot cannot be shown").count() > 0) {
        break;
      }
      page.waitForTimeout(300);
    }
  }
}
