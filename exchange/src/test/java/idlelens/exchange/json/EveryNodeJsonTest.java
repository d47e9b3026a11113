package idlelens.exchange.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import idlelens.core.curve.Curve;
import idlelens.core.curve.Tangent;
import idlelens.core.geometry.RigidPose;
import idlelens.core.part.Backplate;
import idlelens.core.part.Carriage;
import idlelens.core.part.Chain;
import idlelens.core.part.FrameUp;
import idlelens.core.part.Hit;
import idlelens.core.part.Lens;
import idlelens.core.part.Look;
import idlelens.core.part.Part;
import idlelens.core.part.Path;
import idlelens.core.part.Recorded;
import idlelens.core.part.RunIn;
import idlelens.core.part.Shake;
import idlelens.core.part.ShakeWay;
import idlelens.core.part.Shine;
import idlelens.core.part.Slot;
import idlelens.core.part.Smooth;
import idlelens.core.part.SmoothWay;
import idlelens.core.part.Target;
import idlelens.core.part.Visible;
import idlelens.core.rail.ReadyRails;
import idlelens.core.scene.Hidden;
import idlelens.core.scene.Node;
import idlelens.core.scene.NodeBody;
import idlelens.core.scene.PictureFrame;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.scene.TakesKeys;
import idlelens.core.set.Drift;
import idlelens.core.set.Finish;
import idlelens.core.set.Haze;
import idlelens.core.set.Lamp;
import idlelens.core.set.Lettering;
import idlelens.core.set.Pictures;
import idlelens.core.set.Repetition;
import idlelens.core.set.Shape;
import idlelens.core.set.Still;
import idlelens.core.shake.Recording;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.FormatException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Every kind of node as it is written and read, with what of it can be wrong. */
class EveryNodeJsonTest {
  private static final Lettering TEXT =
      new Lettering(List.of("Quai ñ", "2"), "#0a0b0c", 0.3, Lettering.Face.NUMBERS, true);

  private static final Pictures PLAYING =
      new Pictures(
          List.of(new Still("0a".repeat(32), 512, 384, 1), new Still("1b".repeat(32), 512, 384, 3)),
          new FrameRate(25, 2),
          4.25,
          Pictures.After.CYCLE);

  private static NodeBody body(String id, Hidden hidden, Chain chain) {
    return new NodeBody(id, "The " + id, hidden, chain, TakesKeys.ALL);
  }

  private static NodeBody body(String id, Chain chain) {
    return body(id, Hidden.NOWHERE, chain);
  }

  private static Chain with(Part part, Chain chain) {
    List<Part> parts = new ArrayList<>(chain.parts());
    boolean last = part.kind().slot() == Slot.NODE || chain.lens().isEmpty();
    parts.add(last ? parts.size() : parts.size() - 1, part);
    return new Chain(parts);
  }

  private static Shot every() {
    FrameUp framing =
        new FrameUp(
            FrameUp.on("frame-a", Target.OfNode.origin("card")).body(),
            new Target.OfNode("card", 0, 0.5, 0),
            FrameUp.Way.ZOOM,
            0.75,
            List.of(Target.OfNode.origin("null"), new Target.Place(1, 2, 3)));
    Chain camera =
        shaken(with(framing, Chain.poseAndLens()))
            .with(new Path("frame-a", "across"), Curve.still(-16.5))
            .with(new Path("frame-a", "size"), Curve.still(33));
    Chain piece =
        with(Look.USUAL, Chain.pose().carriedBy(new Carriage("row", RigidPose.IDENTITY)))
            .with(new Path("look", "glow"), Curve.still(2.5));
    ShotHeader header =
        new ShotHeader(
            "All", FrameRate.of(24), new FrameRange(1, 9), 2, 1.5, 1, Tangent.Kind.SETTLE);
    return new Shot(
        header,
        List.of(
            new Node.Camera(
                body(
                    "cam",
                    with(
                        new Backplate(
                            Backplate.EMPTY.body(),
                            Optional.of(PLAYING),
                            -2.5,
                            Backplate.Fit.HEIGHT,
                            Backplate.Lies.OVER),
                        camera)),
                Lens.PLAIN),
            new Node.Null(body("null", new Hidden(true, false, false), Chain.pose())),
            new Node.Rail(
                body("rail", new Hidden(false, true, true), Chain.pose()), ReadyRails.circle(2)),
            new Node.Repeat(
                body("row", Hidden.IN_SIGHT, Chain.pose()),
                new Repetition(-3, 9, 1, 2, 3, 60, -5, 5, 1.5, 7, -123_456_789_012L)),
            new Node.Piece(
                body("card", new Hidden(true, true, true), piece),
                new Shape.Card(1, 2),
                new Finish("#102030", Finish.Kind.GLOW, Optional.of(TEXT), Optional.of(PLAYING))),
            new Node.Sun(body("sun", with(Shine.USUAL, Chain.pose())), "#ffd9a6", 1),
            new Node.Light(
                body("light", with(Shine.USUAL, Chain.pose())),
                new Lamp(Lamp.Kind.FILL, "#ffe0b0", 3.5, 9, true)),
            new Node.Mist(
                body("mist", Chain.pose()),
                new Drift(40, 3, 8, 2, 6, 0.7, 0.5, -0.2, -0.1, "#dfe6ea", 0.3, true)),
            new Node.Hazy(
                body("haze", with(Visible.ALWAYS, Chain.pose())), new Haze("#c9d4da", 61.5))));
  }

  /** A layer of each way, with settings that are none of the usual ones. */
  private static Chain shaken(Chain chain) {
    Chain all = chain;
    List<ShakeWay> ways =
        List.of(
            new ShakeWay.Handheld(5, 0.65),
            new ShakeWay.Swell(List.of(1d, 2d, 3d, 4d, 5d, 6d, 7d, 8d), 0.125, 0.75),
            new ShakeWay.Jolt(
                0.375,
                List.of(new Hit("hit-a", 3.5), new Hit("hit-b", 4)),
                Optional.of(new ShakeWay.Strewn(1.5, 0.25))));
    for (int i = 0; i < ways.size(); i++) {
      Shake usual = Shake.of("shake-" + i, ways.get(i), 0, 0);
      all = with(new Shake(usual.body(), ways.get(i), 40 + i, i == 1, 2.5 + i), all);
    }
    Smooth limited =
        new Smooth(
            Smooth.of("smooth-a", new SmoothWay.Polynomial(9, 3)).body(),
            new SmoothWay.Polynomial(9, 3),
            new Smooth.Of(true, false, true),
            new Smooth.Within(OptionalDouble.of(2.5), OptionalDouble.empty()));
    all = with(limited, all);
    all = with(Smooth.of("smooth-b", new SmoothWay.Spring(0.75, 2)), all);
    all = with(Smooth.of("smooth-c", new SmoothWay.Damped(4.5)), all);
    all = with(Smooth.of("smooth-d", new SmoothWay.TwoWay(0.625)), all);
    all = with(Smooth.of("smooth-e", new SmoothWay.Gaussian(3.25)), all);
    all = with(new RunIn(RunIn.USUAL.body(), RunIn.Edge.CYCLE, RunIn.Edge.RUN_ON), all);
    all = with(recorded(), all);
    return all.with(new Path("shake-0", "panHz"), Curve.still(2.5))
        .with(new Path("shake-1", "x"), Curve.still(-7));
  }

  private static Recorded recorded() {
    List<Optional<double[]>> channels =
        new ArrayList<>(Collections.nCopies(Recording.CHANNELS, Optional.empty()));
    channels.set(1, Optional.of(new double[] {0.25, -1.5, 3}));
    channels.set(7, Optional.of(new double[] {0, 0.125, 0}));
    Recording recording = new Recording(12.5, channels);
    Recorded once = Recorded.of("recorded-a", "Steps ñ", recording, 7.5);
    return new Recorded(once.body(), "Steps ñ", recording, 7.5, true, 0.75);
  }

  @Test
  void everyKindOfNode_isReadAsItIsWritten() throws Exception {
    Shot every = every();
    assertThat(every.nodes().stream().map(Object::getClass).collect(Collectors.toSet()))
        .isEqualTo(Set.of(Node.class.getPermittedSubclasses()));
    assertThat(ShotJson.read(ShotJson.bytes(every))).isEqualTo(every);
    Shot laidOut =
        every.withPicture(
            new PictureFrame(
                1080,
                1.5,
                Set.of(PictureFrame.Guide.GOLDEN, PictureFrame.Guide.GRID),
                Optional.of(new PictureFrame.Mask(0.8, 1)),
                3,
                5));
    assertThat(ShotJson.read(ShotJson.bytes(laidOut))).isEqualTo(laidOut);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "\"count\":9|\"count\":0|repeat.count is 0; allowed: 1 to 2000",
        "\"first\":-3|\"first\":-9|repeat.first is -9; allowed: -8 to 0",
        "\"seed\":-123456789012|\"seed\":1.5|allowed: a whole number",
        "\"as\":\"fill\"|\"as\":\"soft\"|key, fill, practical",
        "\"reach\":9|\"reach\":0|lamp.reach is 0.0",
        "\"density\":0.3|\"density\":1.3|mist.density is 1.3; allowed: 0 to 1",
        "\"half\":61.5|\"half\":0|haze.half is 0.0",
        "\"lines\":[\"Quai|\"lines\":[\"\",\"Quai|text.lines is ''",
        "\"held\":3|\"held\":0|pictures.held is 0; allowed: 1 to 10000",
        "\"width\":512|\"width\":5000|pictures.width is 5000; allowed: 1 to 4096",
        "\"asset\":\"0a|\"asset\":\"zz|64 hexadecimal digits",
        "\"rate\":\"25/2\"|\"rate\":\"0\"|rate.numerator is 0",
        "\"after\":\"cycle\"|\"after\":\"stop\"|hold, cycle",
        "[\"picture\",\"files\"]|[\"picture\",\"sides\"]|views, picture, files",
        "\"octaves\":5|\"octaves\":9|shake.octaves is 9; allowed: 1 to 8",
        "\"way\":\"swell\"|\"way\":\"storm\"|handheld, swell, jolt",
        "\"phases\":[1.0,|\"phases\":[|shake.phases.count is 7; allowed: 8",
        "\"damping\":0.375|\"damping\":0|shake.damping is 0.0; allowed: 0.05 to 0.99",
        "\"id\":\"hit-b\"|\"id\":\"hit-a\"|shake.hits is one id twice; allowed: each id once",
        "\"panHz\":2.5|\"panHz\":-1|panHz is -1.0; allowed: 0 to 100",
        "\"half\":9|\"half\":1|smooth.order is 3; allowed: 0 to 2",
        "\"of\":[\"place\",\"lens\"]|\"of\":[]|smooth.of is nothing",
        "\"withinCm\":2.5|\"withinCm\":0|smooth.within.cm is 0.0",
        "\"lag\":4.5|\"lag\":0|smooth.lag is 0.0; allowed: 0.6 to 120",
        "\"sigma\":3.25|\"sigma\":999|smooth.sigma is 999.0; allowed: 0.1 to 120",
        "\"amount\":0.75|\"amount\":1|smooth.amount is 1.0; allowed: 0 to 0.99",
        "\"after\":\"run-on\"|\"after\":\"stop\"|own, hold, run-on, cycle",
        "\"rate\":12.5|\"rate\":0|recording.rate is 0.0",
        "[0.25,-1.5,3.0]|[0.25]|recording.channels[1].count is 1",
        "\"fade\":0.75|\"fade\":-1|recorded.fade is -1.0; allowed: 0 to 600",
        "\"radius\":0.75|\"radius\":0|frame-up.radius is 0.0",
        "\"glow\":2.5|\"glow\":99|glow is 99.0; allowed: -10 to 20"
      })
  void whatIsWrong_isRefusedWithItsPlaceAndWhatIsAllowed(String was, String is, String says) {
    String text = new String(ShotJson.bytes(every()), StandardCharsets.UTF_8);
    assertThat(text).contains(was);
    byte[] wrong = text.replace(was, is).getBytes(StandardCharsets.UTF_8);
    assertThatThrownBy(() -> ShotJson.read(wrong))
        .isInstanceOf(FormatException.class)
        .hasMessageContaining(says);
  }
}
