package idlelens.web.operate;

import idlelens.core.geometry.RigidPose;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.opentrackio.TrackFeed;
import idlelens.exchange.opentrackio.TrackPacket;
import idlelens.exchange.opentrackio.TrackSample;
import idlelens.tracker.Sender;
import idlelens.tracker.SimulatedTracker;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketException;
import java.util.Optional;

/** Listens to a tracker on a port of this machine, for one account and one shot, until closed. */
final class Tracker implements AutoCloseable {
  private static final double NS = 1e-9;
  private static final long PATIENCE_MS = 2000;

  private final int port;
  private final DatagramSocket socket;
  private final TrackFeed feed = new TrackFeed();
  private final Thread ear;
  private Wanted wanted;
  private Placement placement;
  private Sender standIn;
  private double rolledFrom;
  private Cut ended;
  private volatile double askedAtS = now();

  /**
   * How a tracker's stage is to lie in the world.
   *
   * @param camera where it is to begin; nothing where its stage is the world as it comes
   * @param scale metres in the shot for one of the tracker
   */
  record Wanted(Optional<RigidPose> camera, double scale) {}

  /**
   * Begins to listen.
   *
   * @throws SocketException if the port is taken
   */
  Tracker(int port, Wanted wanted) throws SocketException {
    this.port = port;
    this.wanted = wanted;
    this.socket = new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
    this.ear = new Thread(this::listen, "tracker on " + port);
    ear.setDaemon(true);
    ear.start();
  }

  private static double now() {
    return System.nanoTime() * NS;
  }

  private void listen() {
    DatagramPacket packet =
        new DatagramPacket(new byte[TrackPacket.MOST_OCTETS + 1], TrackPacket.MOST_OCTETS + 1);
    while (!socket.isClosed()) {
      try {
        packet.setLength(TrackPacket.MOST_OCTETS + 1);
        socket.receive(packet);
        feed.take(packet.getData(), packet.getLength(), now());
      } catch (IOException e) {
        // closed, or a datagram that could not be taken: the next one may be
      }
    }
  }

  int port() {
    return port;
  }

  TrackFeed feed() {
    return feed;
  }

  /** It is still wanted. */
  void asked() {
    askedAtS = now();
  }

  /** For how long nobody has asked for it, in seconds. */
  double forgottenS() {
    return now() - askedAtS;
  }

  /** How long ago the newest sample came, in seconds. */
  double quietS() {
    return now() - feed.latestAtS();
  }

  /** Lays the stage anew, from where the tracker is now. */
  synchronized void place(Wanted newWanted) {
    wanted = newWanted;
    placement = null;
  }

  /** The newest sample with its pose in the world. */
  synchronized Optional<TrackSample> live() {
    Optional<TrackSample> latest = feed.latest();
    latest.ifPresent(this::placed);
    return latest.map(
        s ->
            new TrackSample(
                placement.apply(s.pose()), s.focalMm(), s.focusM(), s.rateHz(), s.number()));
  }

  private void placed(TrackSample sample) {
    if (placement == null) {
      placement =
          wanted
              .camera()
              .map(camera -> Placement.from(camera, sample.pose(), wanted.scale()))
              .orElseGet(() -> Placement.asItComes(wanted.scale()));
    }
  }

  /**
   * From now on samples are kept.
   *
   * @param frame of the shot now
   */
  synchronized void roll(double frame) {
    feed.roll();
    ended = null;
    rolledFrom = frame;
  }

  /** A take that is over, and the frame of its first sample. */
  record Cut(TrackFeed.Done done, double start) {}

  /** Ends a take; asked again before that is kept, the same one. */
  synchronized Cut cut() throws FormatException {
    if (ended == null || feed.isRolling()) {
      live();
      TrackFeed.Done done = feed.cut(pose -> placement == null ? pose : placement.apply(pose));
      ended = new Cut(done, rolledFrom);
    }
    return ended;
  }

  /** Whether there is a take that is rolled, or over and not kept. */
  synchronized boolean hasTake() {
    return ended != null || feed.isRolling();
  }

  /** The take that is over is kept. */
  synchronized void kept() {
    ended = null;
  }

  /** Starts a stand-in that sends to this port, in place of one that does. */
  synchronized void startStandIn(SimulatedTracker tracker) {
    stopStandIn();
    standIn = new Sender(tracker, port, Double.POSITIVE_INFINITY);
  }

  synchronized void stopStandIn() {
    if (standIn != null) {
      standIn.close();
      standIn = null;
    }
  }

  synchronized boolean hasStandIn() {
    return standIn != null;
  }

  /** Listens no more; the port is free only once whoever waits at it has gone. */
  @Override
  public void close() {
    stopStandIn();
    socket.close();
    try {
      ear.join(PATIENCE_MS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
