package idlelens.tracker;

import idlelens.core.rule.Require;
import idlelens.exchange.opentrackio.TrackPacket;
import idlelens.exchange.opentrackio.TrackSample;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.PriorityQueue;
import java.util.Random;

/**
 * What a handheld tracker sends, datagram by datagram as they arrive, by a clock that is told. The
 * same seed sends the same. Not for more than one thread.
 */
public final class SimulatedTracker {
  private static final int LATEST = 5;
  private static final double FASTEST_HZ = 240;
  private static final double FOCAL_MM = 35;

  private final double rateHz;
  private final Trouble trouble;
  private final boolean bare;
  private final Hand hand;
  private final Random random;
  private final PriorityQueue<OnTheWay> onTheWay = new PriorityQueue<>();
  private long next;

  private record OnTheWay(double atS, long number, byte[] octets) implements Comparable<OnTheWay> {
    @Override
    public int compareTo(OnTheWay other) {
      int byTime = Double.compare(atS, other.atS);
      return byTime != 0 ? byTime : Long.compare(number, other.number);
    }
  }

  /**
   * @param rateHz samples a second, 1 to 240
   * @param trouble what goes wrong on the way
   * @param bare whether samples go without the head that has a sum
   * @param seed of the hand and of the trouble
   */
  public SimulatedTracker(double rateHz, Trouble trouble, boolean bare, long seed) {
    this.rateHz = Require.within(rateHz, 1, FASTEST_HZ, "rate");
    this.trouble = Require.present(trouble, "trouble");
    this.bare = bare;
    this.hand = new Hand(seed);
    this.random = new Random(seed);
  }

  /** The sample that is taken at a number, as if nothing went wrong. */
  public TrackSample sample(long number) {
    return new TrackSample(
        hand.at(number / rateHz),
        OptionalDouble.of(FOCAL_MM),
        OptionalDouble.empty(),
        OptionalDouble.of(rateHz),
        OptionalLong.of(number));
  }

  /** All datagrams that arrive until a moment, in order, and did not before. */
  public List<byte[]> until(double seconds) {
    for (; next / rateHz <= seconds; next++) {
      send(next);
    }
    List<byte[]> arrived = new ArrayList<>();
    while (!onTheWay.isEmpty() && onTheWay.peek().atS <= seconds) {
      arrived.add(onTheWay.poll().octets);
    }
    return arrived;
  }

  private void send(long number) {
    OptionalInt head =
        bare ? OptionalInt.empty() : OptionalInt.of((int) (number % TrackPacket.NUMBERS));
    byte[] octets = new TrackPacket(head, sample(number).text()).write();
    double atS = number / rateHz + random.nextDouble() * trouble.jitterMs() / 1000;
    if (random.nextDouble() < trouble.reorder()) {
      atS += (1 + random.nextInt(LATEST) + 0.5) / rateHz;
    }
    if (random.nextDouble() < trouble.damage()) {
      int at = random.nextInt(octets.length);
      octets[at] = (byte) (octets[at] ^ 1 + random.nextInt(255));
    }
    if (random.nextDouble() >= trouble.loss()) {
      onTheWay.add(new OnTheWay(atS, number, octets));
    }
  }
}
