package idlelens.exchange.opentrackio;

import idlelens.core.geometry.RigidPose;
import idlelens.core.rule.RefusedException;
import idlelens.core.take.Take;
import idlelens.exchange.format.FormatException;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.UnaryOperator;

/**
 * What comes from a tracker, datagram by datagram: some late, some twice, some damaged, some never.
 * Nothing that comes makes it fail. It keeps the newest sample, and while a take is rolled those of
 * the take. For many threads.
 */
public final class TrackFeed {
  /** Numbers farther from the newest than this are no numbers, unless more of them come. */
  private static final int FARTHEST = 1000;

  /** So many in a row that go on from one another are a tracker that has begun anew. */
  private static final int ANEW = 5;

  private static final double USUAL_HZ = 60;
  private static final int MOST_GAPS = 1000;

  private long newest = -1;
  private double newestAtS;
  private long shift;
  private TrackSample latest;
  private long elsewhere = -1;
  private int elsewhereInRow;
  private TrackTape tape;
  private Counts counts = new Counts();
  private String lastDamage = "";

  private static final class Counts {
    private int came;
    private int damaged;
    private int late;
    private int twice;
    private int strays;
    private int anew;
  }

  /**
   * Samples that never came.
   *
   * @param at how many samples after the first of the take
   * @param count how many follow one another
   */
  public record Gap(int at, int count) {}

  /**
   * What is known of what came: since it was first listened, or of the take.
   *
   * @param came datagrams of any kind
   * @param kept samples that are in the take
   * @param damaged datagrams that could not be read
   * @param late samples that came behind later ones
   * @param twice samples that had come already
   * @param strays samples without a sum, far off the way of their neighbours, which were left out
   * @param anew how often the tracker began to count anew
   * @param beyond samples that came when the take was full
   * @param missing samples that never came, or were left out, between the first and the last
   * @param holes how many gaps that makes
   * @param gaps these, the first thousand of them
   * @param lastDamage what was wrong with the last damaged one, in words
   */
  public record Told(
      int came,
      int kept,
      int damaged,
      int late,
      int twice,
      int strays,
      int anew,
      int beyond,
      int missing,
      int holes,
      List<Gap> gaps,
      String lastDamage) {
    public Told {
      gaps = List.copyOf(gaps);
    }
  }

  /** A take that is over, and what is known of it. */
  public record Done(Take take, Told told) {}

  /**
   * Takes a datagram, whatever is in it.
   *
   * @param octets of which the first {@code length} count
   * @param atS when it came, in seconds of a clock that goes on evenly
   */
  public synchronized void take(byte[] octets, int length, double atS) {
    counts.came++;
    try {
      TrackPacket packet = TrackPacket.read(octets, length);
      TrackSample sample = TrackSample.read(packet.text());
      take(number(packet, sample), sample, packet.number().isPresent(), atS);
    } catch (FormatException | RefusedException e) {
      counts.damaged++;
      lastDamage = e.getMessage();
    }
  }

  private long number(TrackPacket packet, TrackSample sample) throws FormatException {
    if (sample.number().isPresent()) {
      return sample.number().getAsLong();
    }
    OptionalInt number = packet.number();
    if (number.isEmpty()) {
      throw new FormatException("timing.sequenceNumber", "missing", "the number of the sample");
    }
    long near = newest - shift - number.getAsInt();
    long rounds = Math.max(0, Math.round((double) near / TrackPacket.NUMBERS));
    return number.getAsInt() + rounds * TrackPacket.NUMBERS;
  }

  private void take(long said, TrackSample sample, boolean summed, double atS)
      throws FormatException {
    if (newest < 0) {
      shift = -said;
    } else if (Math.abs(said + shift - newest) > FARTHEST && !hasBegunAnew(said, sample, atS)) {
      throw new FormatException(
          "timing.sequenceNumber", said, "a number near " + (newest - shift) + ", the newest");
    }
    elsewhereInRow = 0;
    long number = said + shift;
    if (tape != null && tape.has(number)) {
      counts.twice++;
      return;
    }
    counts.late += number < newest ? 1 : 0;
    if (number > newest || latest == null) {
      newest = number;
      newestAtS = atS;
      latest = sample;
    }
    if (tape != null) {
      tape.add(number, sample, summed);
    }
  }

  /** Whether several numbers far away go on from one another: then they go on from the newest. */
  private boolean hasBegunAnew(long said, TrackSample sample, double atS) {
    boolean goesOn = elsewhere >= 0 && said > elsewhere && said - elsewhere <= ANEW;
    elsewhereInRow = goesOn ? elsewhereInRow + 1 : 1;
    elsewhere = said;
    if (elsewhereInRow < ANEW) {
      return false;
    }
    double passed = (atS - newestAtS) * sample.rateHz().orElse(USUAL_HZ);
    shift = newest + Math.max(1, Math.round(Math.min(passed, Take.MOST_SAMPLES))) - said;
    counts.anew++;
    return true;
  }

  /** The newest sample, once one came. */
  public synchronized Optional<TrackSample> latest() {
    return Optional.ofNullable(latest);
  }

  /** When the newest sample came, in seconds of the clock that was told. */
  public synchronized double latestAtS() {
    return newestAtS;
  }

  /** From the next sample on, they are kept. */
  public synchronized void roll() {
    tape = new TrackTape(newest + 1);
    counts = new Counts();
    lastDamage = "";
  }

  public synchronized boolean isRolling() {
    return tape != null;
  }

  /** What is known so far. */
  public synchronized Told told() {
    return told(tape == null ? new TrackTape(0) : tape);
  }

  private Told told(TrackTape of) {
    List<Gap> gaps = of.gaps();
    return new Told(
        counts.came,
        of.size(),
        counts.damaged,
        counts.late,
        counts.twice,
        counts.strays,
        counts.anew,
        of.beyond(),
        gaps.stream().mapToInt(Gap::count).sum(),
        gaps.size(),
        gaps.subList(0, Math.min(MOST_GAPS, gaps.size())),
        lastDamage);
  }

  /**
   * Ends the take.
   *
   * @param placed takes a pose of the tracker into the world
   * @throws FormatException if none is rolled, or too little came; the take is over all the same
   */
  public synchronized Done cut(UnaryOperator<RigidPose> placed) throws FormatException {
    if (tape == null) {
      throw new FormatException("take", "not rolled", "a take that is rolled");
    }
    TrackTape over = tape;
    tape = null;
    counts.strays = over.withoutStrays();
    return new Done(over.take(placed), told(over));
  }
}
