package idlelens.web.app;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;

/** Picture files made for tests. */
public final class TestPictures {
  private static final int WIDTH_AT = 16;
  private static final int HEAD_FROM = 12;
  private static final int HEAD_TO = 29;

  private TestPictures() {}

  /** A PNG whose left half is of a colour and whose right half is transparent. */
  public static byte[] halfPng(int width, int height, Color colour) {
    BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
    Graphics2D pen = image.createGraphics();
    pen.setColor(colour);
    pen.fillRect(0, 0, width / 2, height);
    pen.dispose();
    return octets(image, "png");
  }

  /** A dark picture without transparency. */
  public static byte[] plain(int width, int height, String format) {
    return octets(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), format);
  }

  private static byte[] octets(BufferedImage image, String format) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      ImageIO.write(image, format, out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  /** The same PNG, but its head claims other sizes, under a right check sum. */
  public static byte[] claiming(byte[] png, int width, int height) {
    byte[] claims = png.clone();
    ByteBuffer.wrap(claims).putInt(WIDTH_AT, width).putInt(WIDTH_AT + 4, height);
    CRC32 sum = new CRC32();
    sum.update(claims, HEAD_FROM, HEAD_TO - HEAD_FROM);
    ByteBuffer.wrap(claims).putInt(HEAD_TO, (int) sum.getValue());
    return claims;
  }
}
