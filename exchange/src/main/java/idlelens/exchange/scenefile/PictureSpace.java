package idlelens.exchange.scenefile;

import idlelens.core.rule.Require;

/**
 * The picture of a receiver, for what is said in pixels.
 *
 * @param widthPx its width, 16 to 32768 pixels
 * @param pixelAspect width of a pixel over its height, 0.1 to 10
 * @param origin from where places are counted
 */
public record PictureSpace(int widthPx, double pixelAspect, Origin origin) {
  /** 1920 wide, square pixels, from the middle. */
  public static final PictureSpace USUAL = new PictureSpace(1920, 1, Origin.CENTRE);

  /** From where pixels are counted, right and down. */
  public enum Origin {
    /** The middle of the picture. */
    CENTRE,
    /** Its upper left corner. */
    CORNER
  }

  public PictureSpace {
    Require.within(widthPx, 16, 32_768, "picture.widthPx");
    Require.within(pixelAspect, 0.1, 10, "picture.pixelAspect");
    Require.present(origin, "picture.origin");
  }

  /** Height in pixels of a picture of that aspect. */
  public double heightPx(double aspect) {
    return widthPx * pixelAspect / aspect;
  }

  /** The zoom of a view: picture width / (2 tan(across / 2)). */
  public double zoomPx(double horizontalRad) {
    return widthPx / (2 * Math.tan(horizontalRad / 2));
  }
}
