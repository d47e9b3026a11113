package idlelens.receiver;

import java.io.IOException;
import java.net.BindException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** The receiver as a program. */
@Command(
    name = "receiver",
    mixinStandardHelpOptions = true,
    sortOptions = false,
    description = "Shows a hand-off as another program would see it, on a page of this machine.")
public final class ReceiverCommand implements Callable<Integer> {
  @Parameters(paramLabel = "HAND-OFF", description = "a .zip, a folder, a .glb or a .dae")
  private Path handedOff;

  @Option(names = "--port", defaultValue = "8097", description = "port on loopback (8097)")
  private int port;

  @Spec private CommandSpec spec;

  @Override
  public Integer call() throws InterruptedException {
    if (!Files.exists(handedOff)) {
      return refuse(handedOff + " is not there; allowed: a .zip, a folder, a .glb or a .dae");
    }
    if (port < 0 || port > 65_535) {
      return refuse("--port is " + port + "; allowed: 0 (any that is free) to 65535");
    }
    try (ReceiverServer server = ReceiverServer.open(handedOff, port)) {
      spec.commandLine().getOut().println("The receiver is at " + server.address());
      spec.commandLine().getOut().flush();
      new CountDownLatch(1).await();
      return CommandLine.ExitCode.OK;
    } catch (BindException e) {
      return refuse("--port " + port + " is taken; allowed: one that is free, or 0 for any");
    } catch (IOException e) {
      return refuse(handedOff + " cannot be read: " + e.getMessage());
    }
  }

  private int refuse(String words) {
    spec.commandLine().getErr().println(words);
    return CommandLine.ExitCode.USAGE;
  }

  /** Runs until it is stopped. */
  public static void main(String[] arguments) {
    System.exit(new CommandLine(new ReceiverCommand()).execute(arguments));
  }
}
