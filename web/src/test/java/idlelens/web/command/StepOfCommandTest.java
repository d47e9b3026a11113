package idlelens.web.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The steps that the commands in {@code bin} share: what stands still is started anew, once. */
class StepOfCommandTest {
  private static final Path TOOLS = Path.of("..", "bin", "parts", "tools").toAbsolutePath();

  @TempDir Path folder;

  @Test
  void aStepThatEndsIsRunOnceAndGivesItsOwnResult() throws Exception {
    assertThat(within(60, "exit 0")).isZero();
    assertThat(starts()).isEqualTo(1);
  }

  @Test
  void aStepThatFailsIsNotRunAgain() throws Exception {
    assertThat(within(60, "exit 7")).isEqualTo(7);
    assertThat(starts()).isEqualTo(1);
    assertThat(said()).isEmpty();
  }

  @Test
  void aStepThatStandsStillIsEndedAndTheSecondRunCounts() throws Exception {
    assertThat(within(3, "[ $(wc -l < starts) = 2 ] || sleep 600")).isZero();
    assertThat(starts()).isEqualTo(2);
    assertThat(said()).contains("Not done after 3 seconds").contains("started once more");
  }

  @Test
  void aStepThatStandsStillTwiceFails() throws Exception {
    assertThat(within(1, "sleep 600")).isEqualTo(124);
    assertThat(starts()).isEqualTo(2);
    assertThat(said()).contains("Again not done after 1 seconds");
  }

  @Test
  void whatAStepStartedEndsWithIt() throws Exception {
    within(1, "sh -c 'echo $$ >> children; exec sleep 600' & wait");
    List<String> children = Files.readAllLines(folder.resolve("children"));
    assertThat(children).hasSize(2);
    for (String child : children) {
      Optional<ProcessHandle> process = ProcessHandle.of(Long.parseLong(child));
      if (process.isPresent()) {
        assertThat(process.get().onExit()).succeedsWithin(Duration.ofSeconds(60));
      }
    }
  }

  @Test
  void aStepDoesNotWaitForInput() throws Exception {
    assertThat(within(60, "! read -r line")).isZero();
    assertThat(starts()).isEqualTo(1);
  }

  /** Runs a step whose every start adds a line to the file {@code starts}. */
  private int within(int seconds, String step) throws IOException, InterruptedException {
    Files.writeString(folder.resolve("step"), "echo start >> starts\n" + step + "\n");
    String command = ". '%s'; within %d bash step".formatted(TOOLS, seconds);
    Process bash =
        new ProcessBuilder("bash", "-euo", "pipefail", "-c", command)
            .directory(folder.toFile())
            .redirectError(folder.resolve("said").toFile())
            .start();
    assertThat(bash.waitFor(120, TimeUnit.SECONDS)).isTrue();
    return bash.exitValue();
  }

  private int starts() throws IOException {
    return Files.readAllLines(folder.resolve("starts")).size();
  }

  private String said() throws IOException {
    return Files.readString(folder.resolve("said"), StandardCharsets.UTF_8);
  }
}
