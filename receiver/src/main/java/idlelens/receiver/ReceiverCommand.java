package idlelens.receiver;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

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

  @Override
  public Integer call() throws IOException, InterruptedException {
    if (!Files.exists(handedOff)) {
      System.err.println(handedOff + " is not there; allowed: a .zip, a folder, a .glb or a .dae");
      return 2;
    }
    try (ReceiverServer server = ReceiverServer.open(handedOff, port)) {
      System.out.println("The receiver is at http://127.0.0.1:" + server.port());
      new CountDownLatch(1).await();
    }
    return 0;
  }

  /** Runs until it is stopped. */
  public static void main(String[] arguments) {
    System.exit(new CommandLine(new ReceiverCommand()).execute(arguments));
  }
}
