package idlelens.web.live;

import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.scene.Shot;
import idlelens.core.time.FrameRange;
import idlelens.exchange.opentrackio.TrackPacket;
import idlelens.exchange.opentrackio.TrackSample;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.SocketException;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.function.Supplier;

/** Sends one camera of a shot as OpenTrackIO over UDP: a sample a tick while it plays. */
final class LiveOut implements AutoCloseable {
  private static final double NANOS = 1e9;

  private final To to;
  private final Supplier<Shot> shot;
  private final DatagramSocket socket;
  private double frame;
  private boolean playing;
  private boolean moved;
  private long since;
  private long heard;
  private long number;

  /**
   * Where it goes.
   *
   * @param camera id of the camera
   * @param rateHz samples a second while it plays
   */
  record To(InetAddress address, int port, double rateHz, String camera) {}

  /**
   * @param shot the shot as it is now
   */
  LiveOut(To to, Supplier<Shot> shot, double frame) throws SocketException {
    this.to = to;
    this.shot = shot;
    this.socket = new DatagramSocket();
    playhead(frame, false);
  }

  To to() {
    return to;
  }

  /** How many samples went out. */
  synchronized long sent() {
    return number;
  }

  /** Seconds since the page said where its playhead is. */
  synchronized double silentS() {
    return (System.nanoTime() - heard) / NANOS;
  }

  /** The playhead stands at a frame, or plays from there. */
  synchronized void playhead(double newFrame, boolean plays) {
    frame = newFrame;
    playing = plays;
    moved = true;
    since = System.nanoTime();
    heard = since;
  }

  /** Sends a sample, if there is one to send. */
  synchronized void tick() throws IOException {
    if (!playing && !moved) {
      return;
    }
    moved = false;
    Shot now = shot.get();
    Evaluation motion = Evaluation.at(now, at(now));
    LensTrack lens = motion.of(to.camera).lens().orElseThrow();
    int l = lens.index(0);
    TrackSample sample =
        new TrackSample(
            motion.pose(to.camera, 0),
            OptionalDouble.of(lens.focalMm()[l]),
            OptionalDouble.of(lens.focusM()[l]),
            OptionalDouble.of(to.rateHz),
            OptionalLong.of(number));
    int short16 = (int) (number % TrackPacket.NUMBERS);
    byte[] octets = new TrackPacket(OptionalInt.of(short16), sample.text()).write();
    socket.send(new DatagramPacket(octets, octets.length, to.address, to.port));
    number++;
  }

  /** The frame now; what plays goes round the range. */
  private double at(Shot now) {
    if (!playing) {
      return frame;
    }
    FrameRange range = now.header().range();
    double seconds = (System.nanoTime() - since) / NANOS;
    double ahead = frame + now.header().rate().frames(seconds) - range.in();
    double length = range.length();
    return range.in() + ahead - length * Math.floor(ahead / length);
  }

  @Override
  public void close() {
    socket.close();
  }
}
