package idlelens.core.scene;

/**
 * A part of a node's chain that can be switched off. What a part that is off brings in stands still
 * as it is at the first frame of the shot; nothing jumps there.
 */
public enum ChainPart {
  /** The node's own keyed pose. */
  KEYS("Keys"),
  /** The motion of what carries it. */
  CARRIED("Carried by"),
  /** Focal length, f-stop and focus. */
  LENS("Lens");

  private final String title;

  ChainPart(String title) {
    this.title = title;
  }

  /** As it stands on screen. */
  public String title() {
    return title;
  }

  /** The part through which a channel's curve takes effect. */
  public static ChainPart of(Channel channel) {
    return channel.isPose() ? KEYS : LENS;
  }
}
