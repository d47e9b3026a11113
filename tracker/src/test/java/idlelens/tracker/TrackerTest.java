package idlelens.tracker;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import idlelens.core.geometry.RigidPose;
import idlelens.core.geometry.Turns;
import idlelens.core.take.Take;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.opentrackio.TrackFeed;
import idlelens.exchange.opentrackio.TrackPacket;
import idlelens.exchange.opentrackio.TrackSample;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.Random;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import picocli.CommandLine;

class TrackerTest {
  private static final Trouble BAD = new Trouble(0.05, 0.02, 0.01, 12);

  /** What comes of a tracker over a stretch of its own clock, from a sample on. */
  private static TrackFeed fed(SimulatedTracker tracker, double rollAtS, double untilS) {
    TrackFeed feed = new TrackFeed();
    boolean rolls = false;
    for (double now = 0; now <= untilS; now += 0.004) {
      if (!rolls && now >= rollAtS) {
        feed.roll();
        rolls = true;
      }
      for (byte[] octets : tracker.until(now)) {
        feed.take(octets, octets.length, now);
      }
    }
    return feed;
  }

  private static double off(Take take, SimulatedTracker tracker, long first, int i) {
    RigidPose is = take.pose(i / take.rateHz());
    RigidPose was = tracker.sample(first + i).pose();
    return is.place().distance(was.place()) + Turns.angleBetween(is.turn(), was.turn());
  }

  @Test
  void nothingWrong_theTakeIsTheHand() throws FormatException {
    SimulatedTracker tracker = new SimulatedTracker(60, Trouble.NONE, false, 4);
    TrackFeed.Done done = fed(tracker, 1.001, 6.005).cut(UnaryOperator.identity());
    TrackFeed.Told told = done.told();
    assertThat(told.missing() + told.damaged() + told.late() + told.strays()).isZero();
    assertThat(done.take().rateHz()).isEqualTo(60);
    assertThat(done.take().length()).isEqualTo(300);
    for (int i = 0; i < 300; i++) {
      assertThat(off(done.take(), tracker, 61, i)).isLessThan(1e-7);
    }
    assertThat(done.take().lens(Take.FOCAL, 0)).hasValue(35);
    assertThat(done.take().lens(Take.FOCUS, 0)).as("it tells none").isEmpty();
  }

  /** A minute at 60 a second: what came is there, what did not is named and lies between. */
  @ParameterizedTest
  @ValueSource(booleans = {false, true})
  void aMinuteOfTrouble_isRecorded_andItsGapsAreNamed(boolean bare) throws FormatException {
    SimulatedTracker tracker = new SimulatedTracker(60, BAD, bare, 11);
    TrackFeed.Done done = fed(tracker, 0, 60.2).cut(UnaryOperator.identity());
    TrackFeed.Told told = done.told();
    assertThat(told.came()).isBetween(3300, 3540);
    assertThat(told.damaged()).as(told.lastDamage()).isBetween(bare ? 4 : 20, 60);
    assertThat(told.lastDamage()).isNotEmpty();
    assertThat(told.late()).isGreaterThan(30);
    assertThat(told.missing()).isBetween(150, 300);
    assertThat(told.kept() + told.missing()).isEqualTo(done.take().length());
    assertThat(done.take().length()).isBetween(3590, 3613);
    Set<Integer> missing = new HashSet<>();
    for (TrackFeed.Gap gap : told.gaps()) {
      for (int k = 0; k < gap.count(); k++) {
        missing.add(gap.at() + k);
      }
    }
    assertThat(missing).hasSize(told.missing());
    double most = bare ? 0.02 : 1e-7;
    int least = Integer.MAX_VALUE;
    for (int first = 0; first < 6; first++) { // the first that came, whichever that was
      int away = 0;
      for (int i = 0; i < done.take().length(); i++) {
        away += off(done.take(), tracker, first, i) > (missing.contains(i) ? 0.02 : most) ? 1 : 0;
      }
      least = Math.min(least, away);
    }
    assertThat(least).as("samples that are not where the hand was").isZero();
  }

  /** More gaps than are listed: all of them count. */
  @Test
  void everyOtherSampleLost_allThatIsMissingIsCounted() throws FormatException {
    TrackFeed feed = new TrackFeed();
    feed.roll();
    SimulatedTracker tracker = new SimulatedTracker(60, Trouble.NONE, false, 1);
    for (long i = 0; i < 5000; i += 2) {
      send(feed, tracker, i, i / 60.0);
    }
    TrackFeed.Told told = feed.cut(UnaryOperator.identity()).told();
    assertThat(told.missing()).isEqualTo(2499);
    assertThat(told.holes()).isEqualTo(2499);
    assertThat(told.gaps()).hasSize(1000);
  }

  /** What a hand can do is no stray, however slowly it is sampled; with a sum nothing is. */
  @Test
  void aSuddenMove_isNoStray_andADigitThatIsAnotherIs() throws FormatException {
    for (double rate : new double[] {5, 60, 240}) {
      TrackFeed feed = new TrackFeed();
      feed.roll();
      for (int i = 0; i < 100; i++) { // still, then off at 20 m/s²
        double s = Math.max(0, i - 50) / rate;
        double x = i == 20 ? 30 : 10 * s * s;
        byte[] octets = sampleAt(x, rate, i).getBytes(StandardCharsets.UTF_8);
        feed.take(octets, octets.length, i / rate);
      }
      TrackFeed.Told told = feed.cut(UnaryOperator.identity()).told();
      assertThat(told.strays()).as("at %s a second", rate).isEqualTo(1);
      assertThat(told.gaps()).containsExactly(new TrackFeed.Gap(20, 1));
    }
    TrackFeed summed = new TrackFeed();
    summed.roll();
    for (int i = 0; i < 20; i++) {
      String text = sampleAt(i == 9 ? 30 : 0, 60, i);
      byte[] octets = new TrackPacket(OptionalInt.of(i), text).write();
      summed.take(octets, octets.length, i / 60.0);
    }
    assertThat(summed.cut(UnaryOperator.identity()).told().strays()).isZero();
  }

  private static String sampleAt(double x, double rateHz, long number) {
    return new TrackSample(
            RigidPose.of(x, 1.5, 0, 0, 0, 0),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.of(rateHz),
            OptionalLong.of(number))
        .text();
  }

  /** Numbers that begin again after a restart go on from where they were. */
  @Test
  void aTrackerThatBeginsAnew_goesOnInTheSameTake() throws FormatException {
    TrackFeed feed = new TrackFeed();
    feed.roll();
    SimulatedTracker first = new SimulatedTracker(60, Trouble.NONE, false, 1);
    for (long i = 5000; i < 5060; i++) {
      send(feed, first, i, i / 60.0);
    }
    for (long i = 0; i < 60; i++) {
      send(feed, first, i, 5060 / 60.0 + 1 + i / 60.0);
    }
    TrackFeed.Done done = feed.cut(UnaryOperator.identity());
    assertThat(done.told().anew()).isEqualTo(1);
    assertThat(done.told().kept()).isEqualTo(60 + 56);
    assertThat(done.take().length()).isBetween(178, 182);
  }

  private static void send(TrackFeed feed, SimulatedTracker tracker, long i, double atS) {
    byte[] octets = tracker.sample(i).text().getBytes(java.nio.charset.StandardCharsets.UTF_8);
    feed.take(octets, octets.length, atS);
  }

  /** Whatever floods in, it goes on, and keeps no more than a take. */
  @Test
  void floods_neverFail_andTakeNoMoreRoom() {
    TrackFeed feed = new TrackFeed();
    feed.roll();
    SimulatedTracker tracker = new SimulatedTracker(60, Trouble.NONE, true, 1);
    String line = tracker.sample(0).text();
    for (int i = 0; i < 40_000; i++) {
      byte[] octets =
          line.replace("\"sequenceNumber\":0", "\"sequenceNumber\":" + i)
              .getBytes(java.nio.charset.StandardCharsets.UTF_8);
      feed.take(octets, octets.length, i / 60.0);
      feed.take(octets, octets.length, i / 60.0);
    }
    Random random = new Random(3);
    for (int i = 0; i < 20_000; i++) {
      byte[] noise = new byte[1 + random.nextInt(200)];
      random.nextBytes(noise);
      noise[0] = (byte) "{OT".charAt(random.nextInt(3));
      feed.take(noise, noise.length, 700);
    }
    feed.take(new byte[9000], 9000, 700);
    TrackFeed.Told told = feed.told();
    assertThat(told.kept()).isEqualTo(Take.MOST_SAMPLES);
    assertThat(told.twice()).isEqualTo(Take.MOST_SAMPLES);
    assertThat(told.damaged()).isEqualTo(20_001);
    assertThat(told.beyond()).isEqualTo(2 * (40_000 - Take.MOST_SAMPLES));
    assertThatThrownBy(() -> new TrackFeed().cut(UnaryOperator.identity()))
        .hasMessage("take is not rolled; allowed: a take that is rolled");
  }

  @Test
  void tooLittle_isSaid_andTheTakeIsOver() {
    TrackFeed feed = new TrackFeed();
    feed.roll();
    assertThatThrownBy(() -> feed.cut(UnaryOperator.identity()))
        .hasMessage("samples is 0; allowed: at least two");
    assertThat(feed.isRolling()).isFalse();
  }

  /** Through real datagrams on loopback, in real time. */
  @Test
  void overLoopback_whatIsSentArrives() throws Exception {
    TrackFeed feed = new TrackFeed();
    feed.roll();
    InetSocketAddress anyPort = new InetSocketAddress(InetAddress.getLoopbackAddress(), 0);
    try (DatagramSocket socket = new DatagramSocket(anyPort)) {
      socket.setSoTimeout(1000);
      SimulatedTracker tracker = new SimulatedTracker(120, Trouble.NONE, false, 2);
      try (Sender sender = new Sender(tracker, socket.getLocalPort(), 1)) {
        DatagramPacket packet = new DatagramPacket(new byte[9000], 9000);
        for (int i = 0; i <= 120; i++) {
          socket.receive(packet);
          feed.take(packet.getData(), packet.getLength(), System.nanoTime() * 1e-9);
        }
        sender.join();
      }
    }
    TrackFeed.Done done = feed.cut(UnaryOperator.identity());
    assertThat(done.told().kept()).isEqualTo(121);
    assertThat(done.take().seconds()).isCloseTo(1, within(1e-9));
    assertThat(done.told().gaps()).isEqualTo(List.of());
  }

  /** The program, as it is called. */
  @Test
  void theProgram_sendsToItsPort_andSaysWhatIsWrong() throws Exception {
    InetSocketAddress anyPort = new InetSocketAddress(InetAddress.getLoopbackAddress(), 0);
    try (DatagramSocket socket = new DatagramSocket(anyPort)) {
      socket.setSoTimeout(2000);
      String port = Integer.toString(socket.getLocalPort());
      int code = new CommandLine(new TrackerCommand()).execute("--port", port, "--seconds", "0.3");
      assertThat(code).isZero();
      DatagramPacket packet = new DatagramPacket(new byte[9000], 9000);
      socket.receive(packet);
      TrackPacket sent = TrackPacket.read(packet.getData(), packet.getLength());
      assertThat(TrackSample.read(sent.text()).rateHz()).hasValue(60);
    }
    StringWriter said = new StringWriter();
    int code = TrackerCommand.program().setErr(new PrintWriter(said)).execute("--loss", "200");
    assertThat(code).isEqualTo(2);
    assertThat(said.toString().strip()).isEqualTo("--loss is 200.0; allowed: 0 to 100");
  }

  @Test
  void badSettings_areNamed() {
    assertThatThrownBy(() -> new Trouble(1.5, 0, 0, 0))
        .hasMessageContaining("trouble.loss is 1.5; allowed: 0");
    assertThatThrownBy(() -> new SimulatedTracker(0, Trouble.NONE, false, 1))
        .hasMessageContaining("rate is 0");
  }
}
