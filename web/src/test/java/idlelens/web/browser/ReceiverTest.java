package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import idlelens.receiver.ReceiverServer;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The receiver's page, with what the application hands over to it. */
class ReceiverTest extends BrowserTest {
  private static final String FILE = "Hand-off A-cam";

  private byte[] asked(String shot, String wish) {
    return app.get("/api/shots/" + app.demoShot(shot) + "/export/" + wish).body();
  }

  private Path zip(Path folder, String shot, String wish) throws IOException {
    String frames = "zip?from=1001&to=1008&format=plates&";
    return Files.write(folder.resolve("pier.zip"), asked(shot, frames + wish));
  }

  private Page open(ReceiverServer receiver) {
    Page page = newPage();
    page.navigate(receiver.address());
    page.waitForSelector("body[data-ready=true]");
    return page;
  }

  @Test
  void aCamera_sticksToItsPlates_inEitherFormat(@TempDir Path folder) throws IOException {
    Path zip = zip(folder, "Hand-off", "format=glb&format=dae&camera=a-cam");
    try (ReceiverServer receiver = ReceiverServer.open(zip, 0)) {
      Page page = open(receiver);
      for (String kind : new String[] {".glb", ".dae"}) {
        page.selectOption("#file", FILE + kind);
        page.waitForSelector("#verdict.good:has-text('It sticks: on 8 frames')");
        assertThat(Double.parseDouble(page.getAttribute("body", "data-most"))).isLessThan(0.1);
        assertThat(page.textContent("#verdict")).contains("The plates are those of A-cam.");
        assertThat(page.locator("#marks tr").count()).isEqualTo(3);
      }
      page.close();
    }
  }

  @Test
  void aFileSomeFramesOff_doesNotStick(@TempDir Path folder) throws IOException {
    Path unpacked = Files.createDirectory(folder.resolve("late"));
    Receivers.unzip(zip(folder, "Hand-off", "format=dae&camera=a-cam"), unpacked);
    Files.write(
        unpacked.resolve(FILE + ".dae"), asked("Hand-off", "dae?camera=a-cam&from=1004&to=1011"));
    try (ReceiverServer receiver = ReceiverServer.open(unpacked, 0)) {
      Page page = open(receiver);
      page.waitForSelector("#verdict.bad:has-text('It does not stick')");
      page.close();
    }
  }

  @Test
  void anotherCameraOfTheFile_isMeasuredItself(@TempDir Path folder) throws IOException {
    Path zip = zip(folder, "Two cameras", "format=glb&camera=a-cam&camera=b-cam");
    try (ReceiverServer receiver = ReceiverServer.open(zip, 0)) {
      Page page = open(receiver);
      page.waitForSelector("#verdict.good:has-text('The plates are those of A-cam.')");
      page.selectOption("#camera", "1");
      page.waitForSelector("#verdict.bad:has-text('no mark is near where it should be')");
      page.selectOption("#camera", "0"); // which moves again after it came to its end
      page.waitForSelector("#verdict.good:has-text('It sticks: on 8 frames')");
      page.close();
    }
  }

  @Test
  void whatCannotBeRead_isSaid_andTheNextFileIsReadAfterIt(@TempDir Path folder)
      throws IOException {
    Files.write(folder.resolve("b.glb"), asked("Hand-off", "glb?camera=a-cam&from=1001&to=1004"));
    Files.writeString(folder.resolve("a.glb"), "words");
    Files.writeString(
        folder.resolve("c.dae"),
        "<COLLADA xmlns='http://www.collada.org/2005/11/COLLADASchema' version='1.4.1'>"
            + "<asset/><library_visual_scenes><visual_scene id='s'/></library_visual_scenes>"
            + "<scene><instance_visual_scene url='#s'/></scene></COLLADA>");
    try (ReceiverServer receiver = ReceiverServer.open(folder, 0)) {
      Page page = open(receiver);
      page.waitForSelector("#verdict.bad");
      page.selectOption("#file", "b.glb");
      page.waitForSelector("#verdict:has-text('No plates came along')");
      page.click("#play");
      page.waitForSelector("#where:not(:has-text('frame 0'))");
      page.click("#play");
      assertThat(page.textContent("#play")).isEqualTo("Play");
      page.selectOption("#file", "c.dae");
      page.waitForSelector("#verdict.bad:has-text('c.dae has no camera')");
      assertThat(page.isDisabled("#play")).as("nothing to play").isTrue();
      page.close();
    }
  }

  @Test
  void aPlateThatIsMissing_isNamed(@TempDir Path folder) throws IOException {
    Path unpacked = Files.createDirectory(folder.resolve("some"));
    Receivers.unzip(zip(folder, "Hand-off", "format=glb&camera=a-cam"), unpacked);
    Files.delete(unpacked.resolve("plates/1005.png"));
    try (ReceiverServer receiver = ReceiverServer.open(unpacked, 0)) {
      Page page = open(receiver);
      page.waitForSelector("#verdict.bad:has-text('plates/1005.png is not among what was')");
      complaints.removeIf(c -> c.contains("404") || c.contains("1005"));
      page.close();
    }
  }

  /** A disc of 4 px in a ring of 7 px, of which each pixel has its share. */
  private static final String FOUND =
      """
      async ([x, y, colour, near]) => {
        const { middleOf } = await import('/marks.js');
        const rgb = [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16));
        const pixels = new ImageData(64, 48);
        for (let py = 0; py < 48; py++) {
          for (let px = 0; px < 64; px++) {
            const sum = [0, 0, 0];
            for (let k = 0; k < 64; k++) {
              const sx = px + ((k % 8) + 0.5) / 8 - x;
              const sy = py + (Math.floor(k / 8) + 0.5) / 8 - y;
              const far = Math.hypot(sx, sy);
              const here = far < 4 ? rgb : far < 7 ? [16, 16, 16] : [150, 190, 205];
              here.forEach((v, i) => (sum[i] += v / 64));
            }
            pixels.data.set([...sum, 255], 4 * (py * 64 + px));
          }
        }
        const found = middleOf(pixels, colour, near);
        return found && Math.hypot(found.x - x, found.y - y);
      }
      """;

  private static Object off(Page page, double x, double y, String colour, double aside) {
    return page.evaluate(FOUND, List.of(x, y, colour, Map.of("x", x + aside, "y", y - aside)));
  }

  @Test
  void aMark_isFoundToAFractionOfAPixel_orNotAtAll(@TempDir Path folder) throws IOException {
    Files.write(folder.resolve("a.glb"), asked("Hand-off", "glb?camera=a-cam&from=1001&to=1002"));
    try (ReceiverServer receiver = ReceiverServer.open(folder, 0)) {
      Page page = open(receiver);
      for (String colour : List.of("#ff00ff", "#00ffff", "#ffff00")) {
        for (double part = 0; part < 1; part += 0.23) {
          Object off = off(page, 30 + part, 22 + part * part, colour, 6);
          assertThat((Double) off).as("%s at %s", colour, part).isLessThan(0.02);
        }
      }
      assertThat(off(page, 30, 22, "#ff00ff", 25)).as("too far away").isNull();
      page.close();
    }
  }

  @Test
  void anglesAndVerdicts_areThoseOfTheirNumbers(@TempDir Path folder) throws IOException {
    Files.write(folder.resolve("a.glb"), asked("Hand-off", "glb?camera=a-cam&from=1001&to=1002"));
    try (ReceiverServer receiver = ReceiverServer.open(folder, 0)) {
      Page page = open(receiver);
      assertThat(
              page.evaluate(
                  """
                  async () => {
                    const { angleAt } = await import('/lens-motion.js');
                    const zoom = { times: [1, 2, 4], degrees: [40, 30, 10] };
                    return [0, 1, 1.5, 2, 3, 4, 9].map((s) => angleAt(zoom, s)).join(' ');
                  }
                  """))
          .isEqualTo("40 40 35 30 20 10 10");
      assertThat(verdict(page, "[0.1], [0.2, null]")).isEqualTo("true 2 of 2, 0.2");
      assertThat(verdict(page, "[0.1], [0.51]")).isEqualTo("false 2 of 2, 0.51");
      assertThat(verdict(page, "[0.1], [null]")).isEqualTo("false 1 of 2, 0.1");
      assertThat(verdict(page, "[null], [null]")).isEqualTo("false 0 of 2, 0");
      page.close();
    }
  }

  /** Of marks in the middle of the picture, so many pixels apart on each frame. */
  private static Object verdict(Page page, String apart) {
    return page.evaluate(
        "async () => { const { verdict } = await import('/sticking.js');"
            + " const here = { x: 320, y: 180 };"
            + " const frames = ["
            + apart
            + "].map((marks) => marks.map((a) => ({ here, plate: a && here, apart: a })));"
            + " const v = verdict(frames, { width: 640, height: 360 });"
            + " return `${v.good} ${v.there} of ${v.inside}, ${v.most}`; }");
  }
}
