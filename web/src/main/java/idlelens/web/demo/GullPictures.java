package idlelens.web.demo;

import idlelens.core.set.Pictures;
import idlelens.core.set.Still;
import idlelens.core.time.FrameRate;
import idlelens.exchange.format.ContentHash;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;

/** A gull seen from the front, one beat of its wings in pictures with a transparent ground. */
final class GullPictures {
  private static final int PICTURES = 10;
  private static final int WIDTH = 480;
  private static final int HEIGHT = 320;
  private static final FrameRate RATE = FrameRate.of(12);

  private static final Color BODY = new Color(0xf3f1ea);
  private static final Color UNDER = new Color(0xd5d8d8);
  private static final Color WING = new Color(0xb9c0c4);
  private static final Color TIP = new Color(0x33393d);
  private static final Color BEAK = new Color(0xe6a93c);

  private static final Map<String, byte[]> OCTETS = drawAll();

  private GullPictures() {}

  /** The pictures as PNG, by their hashes, in their order. */
  static Map<String, byte[]> octets() {
    return OCTETS;
  }

  /** The beat over and over, 12 pictures a second. */
  static Pictures beating(double first) {
    List<Still> stills =
        OCTETS.keySet().stream().map(hash -> new Still(hash, WIDTH, HEIGHT, 1)).toList();
    return new Pictures(stills, RATE, first, Pictures.After.CYCLE);
  }

  private static Map<String, byte[]> drawAll() {
    Map<String, byte[]> all = new LinkedHashMap<>();
    for (byte[] png : pictures()) {
      all.put(ContentHash.of(png), png);
    }
    return all;
  }

  private static List<byte[]> pictures() {
    List<byte[]> all = new ArrayList<>();
    for (int i = 0; i < PICTURES; i++) {
      // a little early, so that no two of the beat are the same on the way up and down
      all.add(png(2 * Math.PI * (i + 0.2) / PICTURES));
    }
    return all;
  }

  private static byte[] png(double phase) {
    BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_ARGB);
    Graphics2D pen = image.createGraphics();
    pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    pen.translate(WIDTH / 2.0, HEIGHT * 0.55 + 12 * Math.sin(phase));
    wing(pen, phase, 1);
    wing(pen, phase, -1);
    body(pen);
    pen.dispose();
    try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
      ImageIO.write(image, "png", out);
      return out.toByteArray();
    } catch (IOException e) {
      throw new IllegalStateException("memory can always be written to", e);
    }
  }

  /** An arm that beats and a hand that comes after it. */
  private static void wing(Graphics2D pen, double phase, int side) {
    double arm = Math.toRadians(12 + 30 * Math.cos(phase));
    double hand = Math.toRadians(-6 + 42 * Math.cos(phase - 0.9));
    double[] wrist = {side * (14 + 88 * Math.cos(arm)), -88 * Math.sin(arm)};
    double[] tip = {wrist[0] + side * 112 * Math.cos(hand), wrist[1] - 112 * Math.sin(hand)};
    Path2D whole = feather(new double[] {side * 8.0, -6}, wrist, tip, 30);
    pen.setColor(WING);
    pen.fill(whole);
    double[] near = {wrist[0] + (tip[0] - wrist[0]) * 0.62, wrist[1] + (tip[1] - wrist[1]) * 0.62};
    Path2D end = new Path2D.Double();
    end.moveTo(near[0], near[1] - 4);
    end.lineTo(tip[0], tip[1]);
    end.lineTo(near[0], near[1] + 11);
    end.closePath();
    pen.setColor(TIP);
    pen.fill(end);
  }

  private static Path2D feather(double[] root, double[] wrist, double[] tip, double chord) {
    Path2D shape = new Path2D.Double();
    shape.moveTo(root[0], root[1]);
    shape.quadTo((root[0] + wrist[0]) / 2, wrist[1] - 4, wrist[0], wrist[1] - 6);
    shape.quadTo((wrist[0] + tip[0]) / 2, (wrist[1] + tip[1]) / 2 - 8, tip[0], tip[1]);
    shape.quadTo(
        (wrist[0] + tip[0]) / 2, (wrist[1] + tip[1]) / 2 + chord * 0.5, wrist[0], wrist[1] + 22);
    shape.quadTo((root[0] + wrist[0]) / 2, (root[1] + wrist[1]) / 2 + chord, root[0], root[1] + 26);
    shape.closePath();
    return shape;
  }

  private static void body(Graphics2D pen) {
    pen.setColor(UNDER);
    pen.fill(new Ellipse2D.Double(-21, -18, 42, 50));
    pen.setColor(BODY);
    pen.fill(new Ellipse2D.Double(-18, -20, 36, 42));
    pen.fill(new Ellipse2D.Double(-13, -32, 26, 26));
    pen.setColor(BEAK);
    Path2D beak = new Path2D.Double();
    beak.moveTo(-4, -18);
    beak.lineTo(4, -18);
    beak.lineTo(0, -6);
    beak.closePath();
    pen.fill(beak);
    pen.setColor(TIP);
    pen.fill(new Ellipse2D.Double(-9, -24, 4, 5));
    pen.fill(new Ellipse2D.Double(5, -24, 4, 5));
  }
}
