package idlelens.core.scene;

import idlelens.core.rule.Require;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/**
 * How large the picture is, and what is drawn over it while it is framed.
 *
 * @param widthPx pixels across
 * @param pixelAspect width of a pixel divided by its height
 * @param guides the lines that are drawn over it
 * @param mask what of it another aspect would leave, or nothing
 * @param gridAcross fields of the artist's own grid across
 * @param gridDown fields of it down
 */
public record PictureFrame(
    int widthPx,
    double pixelAspect,
    Set<Guide> guides,
    Optional<Mask> mask,
    int gridAcross,
    int gridDown) {

  /** Lines over the picture. */
  public enum Guide {
    /** Its width and height in three. */
    THIRDS,
    /** Its middle. */
    CENTRE,
    /** From corner to corner. */
    DIAGONALS,
    /** Its width and height in the golden section, from both sides. */
    GOLDEN,
    /** The 93 % of it in which action is safe (SMPTE ST 2046-1). */
    ACTION_SAFE,
    /** The 90 % of it in which titles are safe (SMPTE ST 2046-1). */
    TITLE_SAFE,
    /** What is level and what is plumb. */
    LEVEL,
    /** The artist's own grid. */
    GRID
  }

  /**
   * What of the picture another aspect would leave.
   *
   * @param aspect width by height, 0.2 to 10
   * @param opacity of what it would take away, 0 to 1
   */
  public record Mask(double aspect, double opacity) {
    public Mask {
      Require.within(aspect, 0.2, 10, "mask.aspect");
      Require.within(opacity, 0, 1, "mask.opacity");
    }
  }

  /** The most pixels across. */
  public static final int MOST_PX = 16_384;

  /** 1,920 square pixels across, with thirds. */
  public static final PictureFrame USUAL =
      new PictureFrame(1920, 1, EnumSet.of(Guide.THIRDS), Optional.empty(), 6, 4);

  private static final int MOST_FIELDS = 64;

  public PictureFrame {
    Require.within(widthPx, 16, MOST_PX, "picture.widthPx");
    Require.within(pixelAspect, 0.1, 10, "picture.pixelAspect");
    Require.present(mask, "picture.mask");
    Require.within(gridAcross, 1, MOST_FIELDS, "picture.grid.across");
    Require.within(gridDown, 1, MOST_FIELDS, "picture.grid.down");
    Set<Guide> inOrder = EnumSet.noneOf(Guide.class);
    inOrder.addAll(Require.present(guides, "picture.guides"));
    guides = Collections.unmodifiableSet(inOrder);
  }

  /**
   * Pixels down.
   *
   * @param aspect of the picture as it is shown
   */
  public int heightPx(double aspect) {
    return Math.max(1, (int) Math.rint(widthPx * pixelAspect / aspect));
  }
}
