package idlelens.tracker;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.util.concurrent.Callable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** The simulated tracker as a program. */
@Command(
    name = "tracker",
    mixinStandardHelpOptions = true,
    sortOptions = false,
    description = "Sends samples of OpenTrackIO to a port on this machine, as a tracker would.")
public final class TrackerCommand implements Callable<Integer> {
  private static final double PERCENT = 100;

  @Option(names = "--port", defaultValue = "40000", description = "port on loopback (40000)")
  private int port;

  @Option(names = "--rate", defaultValue = "60", description = "samples a second (60)")
  private double rate;

  @Option(names = "--seconds", description = "how long; without it until it is stopped")
  private double seconds = Double.POSITIVE_INFINITY;

  @Option(names = "--loss", defaultValue = "0", description = "percent that never arrives")
  private double loss;

  @Option(names = "--reorder", defaultValue = "0", description = "percent that arrives late")
  private double reorder;

  @Option(names = "--damage", defaultValue = "0", description = "percent with another octet")
  private double damage;

  @Option(names = "--jitter", defaultValue = "0", description = "milliseconds late at most")
  private double jitter;

  @Option(names = "--bare", description = "without the head that has a sum")
  private boolean bare;

  @Option(names = "--seed", defaultValue = "1", description = "which hand, and which trouble (1)")
  private long seed;

  @Override
  public Integer call() throws InterruptedException {
    if (port < 1 || port > 65535) {
      throw new RefusedException("port", port, "1 to 65535");
    }
    Trouble trouble =
        new Trouble(
            part(loss, "--loss"), part(reorder, "--reorder"), part(damage, "--damage"), jitter);
    try (Sender sender =
        new Sender(new SimulatedTracker(rate, trouble, bare, seed), port, seconds)) {
      sender.join();
    }
    return 0;
  }

  private static double part(double percent, String option) {
    return Require.within(percent, 0, PERCENT, option) / PERCENT;
  }

  /** The program, which says in one line what is wrong with what it is given. */
  static CommandLine program() {
    return new CommandLine(new TrackerCommand())
        .setExecutionExceptionHandler(
            (e, line, parsed) -> {
              line.getErr().println(e.getMessage());
              return CommandLine.ExitCode.USAGE;
            });
  }

  public static void main(String[] arguments) {
    System.exit(program().execute(arguments));
  }
}
