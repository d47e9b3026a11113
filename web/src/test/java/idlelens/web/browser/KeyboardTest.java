package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What a key does, whatever has the focus and however it got there. */
class KeyboardTest extends BrowserTest {
  /** Actions write down that they were called, and do nothing. */
  private static final String RECORD =
      "() => { window.did = []; for (const name of Object.keys(idleLens.actions))"
          + " idleLens.actions[name] = (...given) => { window.did.push(name); }; }";

  /** Kinds of what can have the focus, by the code's own list, and an element of each in sight. */
  private static final String KINDS =
      "() => { window.elementOf = (kind) => [...document.querySelectorAll(idleLens.FOCUS_KINDS.find("
          + "(k) => k.kind === kind).is)].find((e) => e.checkVisibility() && !e.disabled && e.tagName"
          + " !== 'A' && idleLens.FOCUS_KINDS.find((k) => e.matches(k.is)).kind === kind); return"
          + " idleLens.FOCUS_KINDS.map((k) => k.kind).filter((kind) => kind !== 'page' &&"
          + " elementOf(kind)); }";

  /** Gives an element the focus as a click does, or as somebody does who walks to it. */
  private static final String FOCUS =
      "([kind, how]) => { const e = elementOf(kind); if (!e) return false;"
          + " document.activeElement.blur(); const tell = (event) =>"
          + " document.body.dispatchEvent(event); if (how === 'pointer') ['pointerdown',"
          + " 'pointerup'].forEach((name) => tell(new PointerEvent(name, { bubbles: true }))); else"
          + " tell(new KeyboardEvent('keydown', { key: 'Tab', bubbles: true })); e.focus({"
          + " preventScroll: true }); window.did = []; return document.activeElement === e; }";

  private static final String STAIR =
      "{\"edit\":\"add-nodes\",\"nodes\":[{\"id\":\"stair\",\"kind\":\"piece\",\"name\":\"Stair\","
          + "\"shape\":{\"kind\":\"stair\",\"width\":1.4,\"rise\":0.18,\"run\":0.28,\"steps\":8,"
          + "\"fourSided\":false},\"finish\":{\"colour\":\"#b9a27e\",\"kind\":\"matt\"},"
          + "\"chain\":[{\"part\":\"keys\"}]}]}";

  private static final Set<String> ARROWS =
      Set.of("ArrowLeft", "ArrowRight", "Shift+ArrowLeft", "Shift+ArrowRight");

  /** Whether the page does what the key means; the rules as the artist is told them. */
  private static boolean isOfThePage(String press, String act, String kind, boolean walked) {
    if (kind.equals("text")) {
      return act.equals("undo") || act.equals("redo"); // nothing was typed that could be taken back
    }
    if (act.equals("play") || !walked) {
      return true;
    }
    return switch (kind) {
      case "select" -> !press.matches("[a-z0-9]") && !press.matches("Arrow(Left|Right)");
      case "tick", "colour", "button" -> !press.equals("Enter");
      case "tab" -> !press.equals("Enter") && !press.matches("Arrow(Left|Right)");
      case "card" -> !press.equals("Enter") && !press.matches("Alt.Arrow(Left|Right)");
      case "bead" -> !press.matches("Enter|Backspace|Alt.Arrow(Left|Right)");
      case "view" -> !press.matches("Enter|[+-]") && !ARROWS.contains(press);
      case "part of the picture" -> !press.equals("Enter") && !ARROWS.contains(press);
      default -> throw new AssertionError(kind);
    };
  }

  /** A chooser of colours opens when it will, and would take a press that comes after. */
  private static final String NO_CHOOSER =
      "() => addEventListener('click', (e) => e.target.type === 'color' && e.preventDefault())";

  @Test
  @SuppressWarnings("unchecked")
  void everyShortcut_onEveryKindOfFocus_doesWhatItMeans() {
    long shot = app.copyOf("Quay walk");
    app.edit(shot, STAIR);
    Page page = openFloor(shot);
    prepare(page);
    List<String> kinds = (List<String>) page.evaluate(KINDS);
    assertThat(kinds)
        .contains("text", "select", "tick", "colour", "tab", "card", "bead", "button", "view")
        .contains("part of the picture");
    List<Map<String, String>> shortcuts =
        (List<Map<String, String>>)
            page.evaluate("() => idleLens.SHORTCUTS.map(({ press, act }) => ({ press, act }))");
    assertThat(shortcuts).hasSizeGreaterThan(40);
    page.evaluate(RECORD);
    page.evaluate(NO_CHOOSER);
    List<String> wrong = new ArrayList<>();
    for (String kind : kinds) {
      for (boolean walked : new boolean[] {false, true}) {
        for (Map<String, String> shortcut : shortcuts) {
          String press = shortcut.get("press");
          String act = shortcut.get("act");
          Object focused = page.evaluate(FOCUS, List.of(kind, walked ? "keyboard" : "pointer"));
          assertThat(focused).as("focus on %s", kind).isEqualTo(true);
          page.keyboard().press(press);
          List<String> did = (List<String>) page.evaluate("() => window.did");
          List<String> expected = isOfThePage(press, act, kind, walked) ? List.of(act) : List.of();
          if (!did.equals(expected)) {
            wrong.add(press + " on " + kind + (walked ? " walked to" : " clicked") + ": " + did);
          }
        }
      }
    }
    assertThat(wrong).isEmpty();
    complaints.removeIf(c -> c.contains("show the color picker")); // nobody pressed a real key
    page.close();
  }

  /** The loupe, and a panel with a number, a choice, a colour and a tick. */
  private static void prepare(Page page) {
    page.click(".loupe-switch");
    page.waitForSelector(".loupe-part");
    page.evaluate("() => { idleLens.desk.select('stair'); idleLens.desk.chooseCard('piece'); }");
    page.waitForSelector(".settings input[type=checkbox]");
  }

  @Test
  void spaceAfterUndo_plays_andUndoesNothingMore() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.keyboard().press("Enter");
    waitForRevision(page, 2);
    page.keyboard().press("m");
    waitForRevision(page, 3);
    page.click("#undo");
    waitForRevision(page, 4);
    page.keyboard().press("Space");
    page.waitForFunction("() => idleLens.playback.playing");
    page.keyboard().press("Space");
    page.waitForFunction("() => !idleLens.playback.playing");
    assertThat(app.revision(shot)).isEqualTo(4);
    // after a choice too
    page.selectOption("#loop", "once");
    page.evaluate("() => idleLens.desk.goTo(1040)");
    page.keyboard().press("ArrowRight");
    assertThat(number(page, "() => idleLens.desk.frame")).isEqualTo(1041);
    assertThat(page.inputValue("#loop")).isEqualTo("once");
    page.close();
  }

  @Test
  void aNumberThatIsTyped_givesTheKeysBack_andTheSecondEnterKeysTheLoosePose() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => { idleLens.desk.select('dolly', 'keys'); idleLens.desk.goTo(1030); }");
    type(page, "X", "2m");
    page.waitForFunction("() => idleLens.desk.loose");
    assertThat(page.evaluate("() => document.activeElement === document.body")).isEqualTo(true);
    assertThat(page.textContent("#notice")).contains("stands loose at 1030: Enter keys it");
    page.keyboard().press("Enter");
    waitForRevision(page, 2);
    assertThat(app.part(shot, "dolly", "keys").get("x").toString()).contains("[1030.0,2.0,");
    // Ctrl+Z with a loose pose takes back only that
    type(page, "X", "3m");
    page.waitForFunction("() => idleLens.desk.loose");
    page.keyboard().press("Control+z");
    page.waitForFunction("() => !idleLens.desk.loose && !idleLens.store.before");
    assertThat(app.revision(shot)).isEqualTo(2);
    page.keyboard().press("Control+z");
    waitForRevision(page, 3);
    assertThat(app.part(shot, "dolly", "keys").get("x").toString()).doesNotContain("[1030.0");
    page.close();
  }

  @Test
  void f2_renamesTheSelection_andNoLetterOfANameIsAShortcut_evenWhenTheListChanges() {
    long shot = app.copyOf("Quay walk");
    Page page = openFloor(shot);
    page.evaluate("() => idleLens.desk.select('keeper')");
    page.click("#tab-tools");
    page.keyboard().press("F2");
    page.keyboard().type("Mo ");
    app.edit(shot, "{\"edit\":\"rename\",\"id\":\"low-sun\",\"name\":\"Late sun\"}"); // by another
    page.waitForFunction("() => idleLens.store.byId.get('low-sun').name === 'Late sun'");
    page.keyboard().type("two g o");
    page.keyboard().press("Enter");
    waitForRevision(page, 3);
    assertThat(app.node(shot, "keeper").get("name").stringValue()).isEqualTo("Mo two g o");
    assertThat(page.evaluate("() => [idleLens.store.markers.length, idleLens.playback.playing]"))
        .isEqualTo(List.of(0, false));
    page.keyboard().press("Control+a");
    page.evaluate("() => idleLens.desk.select('dolly')");
    page.keyboard().press("Control+a");
    assertThat(number(page, "() => idleLens.desk.chosen.count")).isEqualTo(18);
    page.close();
  }
}
