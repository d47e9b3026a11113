package idlelens.web.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import idlelens.exchange.opentrackio.TrackPacket;
import idlelens.exchange.opentrackio.TrackSample;
import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.SocketTimeoutException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What somebody on this machine hears who listens to the playhead of a shot. */
@ExtendWith(IdleLensExtension.class)
class LiveOutTest {
  private static final int QUIET_MS = 400;

  private static TrackSample next(DatagramSocket socket) throws Exception {
    DatagramPacket packet = new DatagramPacket(new byte[8192], 8192);
    socket.receive(packet);
    return TrackSample.read(TrackPacket.read(packet.getData(), packet.getLength()).text());
  }

  private static boolean isQuiet(DatagramSocket socket) throws Exception {
    try {
      next(socket);
      return false;
    } catch (SocketTimeoutException e) {
      return true;
    }
  }

  @Test
  void scrubbing_sendsOneSampleForEachPlace_playingSendsThemInOrder_andOffIsOff(RunningApp app)
      throws Exception {
    long shot = app.copyOf("Two cameras");
    String path = "/api/shots/" + shot + "/live-out";
    assertThat(app.get(path).json().get("on").booleanValue()).isFalse();
    String[] rows = app.get("/api/shots/" + shot + "/export/csv?camera=a-cam").text().split("\n");
    try (DatagramSocket socket = new DatagramSocket(0, InetAddress.getLoopbackAddress())) {
      socket.setSoTimeout(QUIET_MS);
      String to =
          "{\"port\":"
              + socket.getLocalPort()
              + ",\"rate\":120,\"camera\":\"a-cam\",\"frame\":1001}";
      assertThat(app.post(path, to).status()).isEqualTo(204);
      assertAt(next(socket), rows[3]);
      assertThat(isQuiet(socket)).as("standing still sends nothing").isTrue();
      app.post(path + "/playhead", "{\"frame\":1031}");
      assertAt(next(socket), rows[33]);
      app.post(path + "/playhead", "{\"frame\":1001,\"playing\":true}");
      List<TrackSample> played = new ArrayList<>();
      for (int i = 0; i < 60; i++) {
        played.add(next(socket));
      }
      for (int i = 1; i < played.size(); i++) {
        long before = played.get(i - 1).number().getAsLong();
        assertThat(played.get(i).number().getAsLong()).isEqualTo(before + 1);
      }
      assertThat(played.get(0).rateHz().getAsDouble()).isEqualTo(120);
      assertThat(played.get(59).pose().place().distance(played.get(0).pose().place())).isPositive();
      assertThat(app.get(path).json().get("sent").longValue()).isGreaterThanOrEqualTo(62);
      assertThat(app.delete(path).status()).isEqualTo(204);
      while (!isQuiet(socket)) {
        // what was on its way
      }
      assertThat(app.post(path + "/playhead", "{\"frame\":1002}").status()).isEqualTo(409);
    }
  }

  private static void assertAt(TrackSample sample, String row) {
    String[] cells = row.split(",");
    assertThat(sample.pose().x()).isCloseTo(Double.parseDouble(cells[1]), within(1e-9));
    assertThat(sample.pose().y()).isCloseTo(Double.parseDouble(cells[2]), within(1e-9));
    assertThat(sample.pose().z()).isCloseTo(Double.parseDouble(cells[3]), within(1e-9));
    assertThat(sample.focalMm().getAsDouble())
        .isCloseTo(Double.parseDouble(cells[7]), within(1e-9));
  }

  @Test
  void otherMachines_andWrongSettings_areRefused(RunningApp app) {
    String path = "/api/shots/" + app.copyOf("Lamp room") + "/live-out";
    String rest = "\"camera\":\"lamp-cam\",\"frame\":1001}";
    assertThat(app.post(path, "{\"address\":\"10.0.0.5\",\"port\":40100," + rest).text())
        .contains("an address of this machine");
    assertThat(app.post(path, "{\"address\":\"127.0.0.1.example\",\"port\":40100," + rest).status())
        .isEqualTo(422);
    assertThat(app.post(path, "{\"port\":80," + rest).text()).contains("1024");
    assertThat(app.post(path, "{\"port\":40100,\"rate\":1000," + rest).text()).contains("rate");
    assertThat(app.get(path).json().get("on").booleanValue()).isFalse();
  }
}
