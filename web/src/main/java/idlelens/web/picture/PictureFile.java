package idlelens.web.picture;

import idlelens.core.rule.RefusedException;
import idlelens.core.rule.Require;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.MemoryCacheImageInputStream;
import org.springframework.http.MediaType;

/**
 * A picture that comes in.
 *
 * @param type PNG or JPEG
 * @param widthPx in pixels
 * @param heightPx in pixels
 */
public record PictureFile(MediaType type, int widthPx, int heightPx) {
  private static final int PNG_HEAD = 0x89;

  /**
   * What may come in.
   *
   * @param octets the most octets
   * @param pixels the most pixels a side
   * @param types of which kinds
   */
  public record Limits(int octets, int pixels, MediaType... types) {
    String words() {
      StringBuilder words = new StringBuilder("a ");
      for (MediaType type : types) {
        words.append(words.length() > 2 ? " or " : "").append(word(type));
      }
      return words + " picture";
    }
  }

  private static String word(MediaType type) {
    return type.getSubtype().toUpperCase(Locale.ROOT);
  }

  /** The kind that the first octet tells. */
  public static MediaType typeOf(byte[] content) {
    return content.length > 0 && (content[0] & 0xFF) == PNG_HEAD
        ? MediaType.IMAGE_PNG
        : MediaType.IMAGE_JPEG;
  }

  /**
   * Reads the head of a picture: nothing of it is unpacked.
   *
   * @throws RefusedException if it is none within the limits
   */
  public static PictureFile head(byte[] content, Limits limits) {
    return read(content, limits, false);
  }

  /**
   * Reads the whole of a picture, after its head was found within the limits.
   *
   * @throws RefusedException if it is none within the limits, or damaged
   */
  public static PictureFile whole(byte[] content, Limits limits) {
    return read(content, limits, true);
  }

  private static PictureFile read(byte[] content, Limits limits, boolean whole) {
    Require.within(content.length, 1, limits.octets, "picture.octets");
    MediaType type = typeOf(content);
    boolean allowed = List.of(limits.types).contains(type);
    try (ImageInputStream in = new MemoryCacheImageInputStream(new ByteArrayInputStream(content))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!allowed || !readers.hasNext()) {
        throw new RefusedException("picture", "not readable", limits.words());
      }
      ImageReader reader = readers.next();
      try {
        if (!reader.getFormatName().equalsIgnoreCase(word(type))) {
          throw new RefusedException("picture", reader.getFormatName(), limits.words());
        }
        reader.setInput(in, true, true);
        PictureFile found = new PictureFile(type, reader.getWidth(0), reader.getHeight(0));
        Require.within(found.widthPx, 1, limits.pixels, "picture.width");
        Require.within(found.heightPx, 1, limits.pixels, "picture.height");
        if (whole) {
          reader.read(0);
        }
        return found;
      } finally {
        reader.dispose();
      }
    } catch (RefusedException e) {
      throw e;
    } catch (IOException | RuntimeException e) { // whatever a damaged file leads its reader to
      throw new RefusedException("picture", "not readable", limits.words());
    }
  }
}
