package idlelens.web.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import idlelens.receiver.ReceiverServer;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
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
      page.close();
    }
  }
}
