package idlelens.web.shot;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** Looks at a picture that comes in, by its head alone: nothing of it is unpacked. */
final class PictureFile {
  private static final int MOST_OCTETS = 200_000;
  private static final int MOST_PIXELS = 640;

  private PictureFile() {}

  /**
   * @throws RefusedException if it is not a JPEG of up to 640 pixels a side and 200,000 octets
   */
  static void check(byte[] content) {
    Require.within(content.length, 1, MOST_OCTETS, "picture.octets");
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(content))) {
      Iterator<ImageReader> readers = ImageIO.getImageReadersByFormatName("jpeg");
      ImageReader reader = readers.next();
      reader.setInput(in, true, true);
      Require.within(reader.getWidth(0), 1, MOST_PIXELS, "picture.width");
      Require.within(reader.getHeight(0), 1, MOST_PIXELS, "picture.height");
    } catch (IOException | IndexOutOfBoundsException e) {
      throw new RefusedException("picture", "not readable", "a JPEG picture");
    }
  }
}
