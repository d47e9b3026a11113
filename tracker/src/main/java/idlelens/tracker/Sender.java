package idlelens.tracker;

import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.util.concurrent.locks.LockSupport;

/**
 * Sends what a simulated tracker sends, in real time, to a port on loopback, until it is closed.
 */
public final class Sender implements AutoCloseable {
  private static final long PAUSE_NS = 1_000_000;
  private static final double NS = 1e-9;

  private final SimulatedTracker tracker;
  private final InetSocketAddress to;
  private final Thread thread;
  private volatile boolean open = true;

  /**
   * Begins to send.
   *
   * @param port on loopback, 1 to 65535
   * @param seconds how long, or infinity
   */
  public Sender(SimulatedTracker tracker, int port, double seconds) {
    this.tracker = tracker;
    this.to = new InetSocketAddress(InetAddress.getLoopbackAddress(), port);
    this.thread = new Thread(() -> send(seconds), "simulated tracker");
    thread.setDaemon(true);
    thread.start();
  }

  private void send(double seconds) {
    long began = System.nanoTime();
    try (DatagramSocket socket = new DatagramSocket()) {
      double now = 0;
      while (open && now < seconds) {
        now = (System.nanoTime() - began) * NS;
        for (byte[] octets : tracker.until(Math.min(now, seconds))) {
          sendOne(socket, octets);
        }
        LockSupport.parkNanos(PAUSE_NS);
      }
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  /** Nobody listening is no trouble for a tracker. */
  private void sendOne(DatagramSocket socket, byte[] octets) {
    try {
      socket.send(new DatagramPacket(octets, octets.length, to));
    } catch (IOException e) {
      LockSupport.parkNanos(PAUSE_NS);
    }
  }

  /** Waits until all is sent. */
  public void join() throws InterruptedException {
    thread.join();
  }

  @Override
  public void close() {
    open = false;
    LockSupport.unpark(thread);
  }
}
