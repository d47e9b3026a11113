package idlelens.exchange.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Key;
import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Carriage;
import idlelens.core.part.Carried;
import idlelens.core.part.Chain;
import idlelens.core.part.HandOver;
import idlelens.core.part.Move;
import idlelens.core.part.Part;
import idlelens.core.part.Pin;
import idlelens.core.part.Ride;
import idlelens.core.rail.Anchor;
import idlelens.core.rail.Offset;
import idlelens.core.rail.Rail;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.Shot;
import idlelens.exchange.Rigs;
import idlelens.exchange.format.FormatException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ShotJsonTest {
  private static final Shot SHOT = Rigs.everything();

  private static String text() {
    return new String(ShotJson.bytes(SHOT), StandardCharsets.UTF_8);
  }

  private static byte[] octets(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  @Test
  void writeAndRead_everything_givesTheSameShot() throws Exception {
    List<Node> nodes = new ArrayList<>(SHOT.nodes());
    nodes.add(Rigs.imported());
    Shot shot = SHOT.withNodes(nodes);
    assertThat(ShotJson.read(ShotJson.bytes(shot))).isEqualTo(shot);
    assertThat(ShotJson.bytes(ShotJson.read(ShotJson.bytes(shot)))).isEqualTo(ShotJson.bytes(shot));
  }

  private static final String HANDED =
      "{'id':'walker','name':'Walker','kind':'null','chain':[{'part':'carried','by':[{'node':'head'},"
          + "{'id':'a','frame':1010.5,'node':'crate'},"
          + "{'id':'b','frame':1020,'offset':[0,1,0,0,0,0,1]}]}]}";

  private static Shot withNode(String json) throws FormatException {
    String node = json.replace('\'', '"');
    return ShotJson.read(octets(text().replaceFirst("\"nodes\":\\[", "$0" + node + ",")));
  }

  @Test
  void railsAndRides_areReadAsTheyAreWritten() throws Exception {
    Offset ahead = new Offset(-2, 0, 0);
    Rail rail =
        new Rail(
            List.of(
                Anchor.smooth("a1", 0, 0, 0),
                Anchor.corner("a2", 1, 2, 3),
                Anchor.smooth("a3", 4, 0, 1).withTangents(new Offset(1, 0, 0), ahead),
                Anchor.smooth("a4", 5, 0, 1).withTangents(new Offset(1, 2, 0), ahead)),
            true);
    Ride ride =
        new Ride(
                Ride.on("ride-x", "track").body(),
                "track",
                Ride.Turn.RAIL,
                new Ride.Banking(1, 20, 3),
                0.5,
                List.of(new Pin("p", 1010.5, "a2"), new Pin("q", 1020, "a4")))
            .withPace(Curve.still(120));
    List<Part> parts = new ArrayList<>(Chain.pose().parts());
    parts.add(1, ride);
    List<Node> nodes = new ArrayList<>(SHOT.nodes());
    nodes.add(
        new Node.Rail(new NodeBody("track", "Track", false, Carriage.WORLD, Chain.pose()), rail));
    nodes.add(
        new Node.Null(
            new NodeBody("rider", "Rider", false, Carriage.by("track"), new Chain(parts))));
    Shot shot = SHOT.withNodes(nodes);
    assertThat(ShotJson.read(ShotJson.bytes(shot))).isEqualTo(shot);
  }

  @Test
  void moves_areReadAsTheyAreWritten_alsoWhereNothingCarries() throws Exception {
    List<Part> parts = new ArrayList<>(Chain.pose().parts());
    Move orbit = Move.of("move-a", Move.Way.ORBIT, 40, 1005, 1030.5);
    parts.addAll(1, List.of(orbit, Move.of("move-b", Move.Way.HOLD, 0, 1010, 1020)));
    List<Node> nodes = new ArrayList<>(SHOT.nodes());
    nodes.add(
        new Node.Null(new NodeBody("mover", "Mover", false, Carriage.WORLD, new Chain(parts))));
    Shot shot = SHOT.withNodes(nodes);
    assertThat(ShotJson.read(ShotJson.bytes(shot))).isEqualTo(shot);
  }

  @Test
  void handOvers_areReadAsTheyAreWritten() throws Exception {
    Shot shot = withNode(HANDED);
    Carried carried = shot.node("walker").chain().carried();
    assertThat(carried.by()).isEqualTo(Carriage.by("head"));
    assertThat(carried.later())
        .containsExactly(
            new HandOver("a", 1010.5, "crate", Optional.empty()),
            new HandOver("b", 1020, "", Optional.of(new RigidPose(0, 1, 0, 0, 0, 0, 1))));
    assertThat(ShotJson.read(ShotJson.bytes(shot))).isEqualTo(shot);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "{'node':'head'}|{'id':'c','frame':3}|by[0]|the first without a frame",
        "'frame':1020|'node':'ball'|by[2]|with id and frame",
        "'id':'b'|'id':'a'|handOver.id is 'a' twice|each id once",
        "'frame':1020|'frame':1010.5|handOver.frame is 1010.5|without another hand-over",
        "'frame':1020|'frame':1e9|handOver.frame is 1.0E9|-10000000 to 10000000",
        "'crate'|'cam'|Walker.carrier is 'cam'|the id of a null, a piece, a rail or a repeat of this shot"
      })
  void wrongHandOvers_areRefusedInWords(String was, String is, String where, String allowed) {
    String wrong = HANDED.replace(was, is);
    assertThat(wrong).isNotEqualTo(HANDED);
    assertThatThrownBy(() -> withNode(wrong))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining(where)
        .hasMessageContaining(allowed);
  }

  @Test
  void read_lensWhereThereIsNone_isRefused() {
    String text = text().replace("\"part\":\"aim\",\"id\":\"aim-3c\"", "\"part\":\"lens\"");
    assertThat(text).isNotEqualTo(text());
    assertThatThrownBy(() -> ShotJson.read(octets(text)))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining("nodes[14].chain[2].target is unknown");
  }

  @Test
  void read_bothShapesOfANode_isRefused() {
    String text = text().replaceFirst("\"chain\":", "\"carrier\":\"head\",\"chain\":");
    assertThatThrownBy(() -> ShotJson.read(octets(text)))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining("what nodes had before version 3, not both");
  }

  @Test
  void file_withAssets_givesThemBack() throws Exception {
    byte[] asset = {1, 2, 3};
    byte[] file = ShotJson.file(new ShotJson.Parcel(SHOT, Map.of(Rigs.ASSET, asset)));
    ShotJson.Parcel back = ShotJson.readParcel(file);
    assertThat(back.shot()).isEqualTo(SHOT);
    assertThat(back.assets().get(Rigs.ASSET)).isEqualTo(asset);
  }

  @Test
  void writeAndRead_underAnotherLocale_isTheSame() throws Exception {
    Locale before = Locale.getDefault();
    try {
      Locale.setDefault(new Locale("ar", "EG"));
      assertThat(ShotJson.bytes(SHOT)).isEqualTo(octets(text()));
      assertThat(ShotJson.read(ShotJson.bytes(SHOT))).isEqualTo(SHOT);
    } finally {
      Locale.setDefault(before);
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "\"version\":3|\"version\":9|version is 9; allowed: 1 to 3",
        "\"handles\":6|\"handles\":6.5|handles is 6.5; allowed: a whole number",
        "\"kind\":\"camera\"|\"kind\":\"ghost\"|nodes[2].kind is \"ghost\"; allowed: camera, null",
        "\"blades\":7|\"blades\":2|iris.blades is 2; allowed: 0 for a round iris, or 3 to 32",
        "[1001.0,1.33,|[1001.0,9,|squeeze is 9.0; allowed: 0.5 to 2.5",
        "[1020.0,3.5,\"settle\"]|[1001.0,3.5,\"settle\"]|keys[1].frame is 1001.0; allowed: greater",
        "\"settle\"]|\"wobbly\"]|allowed: settle, flow, straight, hold, free",
        "\"node\":\"head\"|\"node\":\"nobody\"|The cam.carrier is 'nobody'",
        "\"kind\":\"hit\"|\"kind\":\"bump\"|markers[0].kind is \"bump\"; allowed: beat, hit, cue, note",
        "\"leftOut\":[\"roll\"]|\"leftOut\":[\"spin\"]|channel is 'spin'; allowed: x, y, z",
        "\"handles\"|\"handels\"|handels is unknown",
      })
  void read_wrongValue_namesItsPlaceAndWhatIsAllowed(String from, String to, String message) {
    String changed = text().replaceFirst(Pattern.quote(from), Matcher.quoteReplacement(to));
    assertThat(changed).isNotEqualTo(text());
    assertThatThrownBy(() -> ShotJson.read(octets(changed)))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining(message);
  }

  @Test
  void read_textCutAnywhere_isRefusedAndNothingElse() {
    byte[] whole = octets(text());
    for (int length = 0; length < whole.length; length += 1 + whole.length / 300) {
      byte[] cut = Arrays.copyOf(whole, length);
      assertThatThrownBy(() -> ShotJson.read(cut)).isInstanceOf(FormatException.class);
    }
  }

  @Test
  void read_anOlderVersion_countsItsFreeTangentsAsWeighted() throws Exception {
    String older =
        text()
            .replaceFirst("\"version\":3", "\"version\":1")
            .replaceFirst(
                "\"free\",3.25,-0.5,4.0,0.125,true,true", "\"free\",3.25,-0.5,4.0,0.125,true");
    assertThat(ShotJson.read(octets(older))).isEqualTo(SHOT);
  }

  @Test
  void read_deepNesting_isRefused() {
    byte[] deep = octets("[".repeat(100_000));
    assertThatThrownBy(() -> ShotJson.read(deep))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining(
            "nested deeper, or a longer number or text, than is read; allowed: at most");
  }

  @Test
  void read_keysThatAnEarlierVersionKeptTooClose_areSetApart() throws Exception {
    Curve curve =
        CurveJson.read(
            JsonPlace.parse(
                "{\"keys\":[[5,1,\"hold\"],[5.0000002,2,\"hold\"],[5.0000004,3,\"hold\"]]}"
                    .getBytes(StandardCharsets.UTF_8)));
    assertThat(curve.keys()).extracting(Key::value).containsExactly(1.0, 2.0, 3.0);
    assertThat(CurveJson.read(new JsonPlace(CurveJson.write(curve), ""))).isEqualTo(curve);
  }
}
