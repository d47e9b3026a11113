package idlelens.receiver;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import picocli.CommandLine;

class ReceiverServerTest {
  private static HttpResponse<String> get(ReceiverServer server, String path) throws Exception {
    return HttpClient.newHttpClient()
        .send(
            HttpRequest.newBuilder(URI.create(server.address() + path)).build(),
            HttpResponse.BodyHandlers.ofString());
  }

  private static Path zip(Path folder) throws IOException {
    Path file = folder.resolve("pier.zip");
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
      zip.putNextEntry(new ZipEntry("plates/1001.png"));
      zip.write(new byte[] {1, 2});
      zip.putNextEntry(new ZipEntry("pier \"2\".glb"));
      zip.write("glTF".getBytes(StandardCharsets.US_ASCII));
    }
    return file;
  }

  @Test
  void aZip_isServedByName_withThePageAndTheLoaders(@TempDir Path folder) throws Exception {
    try (ReceiverServer server = ReceiverServer.open(zip(folder), 0)) {
      assertThat(get(server, "/names.json").body())
          .isEqualTo("[\"pier \\u00222\\u0022.glb\",\"plates/1001.png\"]");
      assertThat(get(server, "/handed/pier%20%222%22.glb").body()).isEqualTo("glTF");
      assertThat(get(server, "/").body()).contains("<title>Receiver</title>");
      assertThat(get(server, "/three/build/three.module.js").statusCode()).isEqualTo(200);
      assertThat(
              get(server, "/three/examples/jsm/loaders/GLTFLoader.js")
                  .headers()
                  .firstValue("content-type"))
          .contains("text/javascript;charset=utf-8");
    }
  }

  @Test
  void whatIsNotHandedOver_isNotServed(@TempDir Path folder) throws Exception {
    Files.writeString(folder.resolve("beside.txt"), "not for anybody");
    Path inner = Files.createDirectory(folder.resolve("handed"));
    Files.writeString(inner.resolve("cam.dae"), "<COLLADA/>");
    try (ReceiverServer server = ReceiverServer.open(inner, 0)) {
      assertThat(get(server, "/handed/cam.dae").statusCode()).isEqualTo(200);
      assertThat(get(server, "/handed/..%2fbeside.txt").statusCode()).isEqualTo(404);
      assertThat(get(server, "/..%2f..%2fetc/passwd").statusCode()).isEqualTo(404);
      assertThat(get(server, "/receiver/ReceiverServer.class").statusCode()).isEqualTo(404);
    }
    assertThatThrownBy(() -> ReceiverServer.open(folder.resolve("none.zip"), 0))
        .isInstanceOf(IOException.class);
  }

  @Test
  void whatIsNoHandOff_isRefusedInWords(@TempDir Path folder) throws Exception {
    Path text = Files.writeString(folder.resolve("words.zip"), "no zip at all");
    assertThat(refused(text.toString())).contains("words.zip cannot be read: ");
    byte[] whole = Files.readAllBytes(zip(folder));
    Path cut = Files.write(folder.resolve("cut.zip"), Arrays.copyOf(whole, whole.length / 3));
    assertThat(refused(cut.toString())).contains("cut.zip cannot be read: ");
    assertThat(refused(folder.resolve("none").toString())).contains("none is not there; allowed:");
    try (ReceiverServer other = ReceiverServer.open(zip(folder), 0)) {
      String port = Integer.toString(URI.create(other.address()).getPort());
      assertThat(refused("--port", port, zip(folder).toString())).contains(port + " is taken");
    }
    assertThat(refused("--port", "70000", zip(folder).toString())).contains("0 (any that is free)");
  }

  /** What the command says of them on its way out. */
  private static String refused(String... arguments) {
    StringWriter said = new StringWriter();
    CommandLine command = new CommandLine(new ReceiverCommand()).setErr(new PrintWriter(said));
    assertThat(command.execute(arguments)).isEqualTo(2);
    return said.toString();
  }
}
