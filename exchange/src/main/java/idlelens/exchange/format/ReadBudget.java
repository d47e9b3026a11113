package idlelens.exchange.format;

import idlelens.core.rule.StoppedException;

/**
 * How much may be made of a file, by its size: what a few octets ask for is refused before it is
 * made. Each kind of thing has some room that every file has, and more for each octet.
 */
public final class ReadBudget {
  private final long octets;
  private final long[] left = new long[Thing.values().length];

  /** What is counted. */
  public enum Thing {
    /** Numbers read from buffers. */
    NUMBERS("numbers", 1_000_000, 8, 120_000_000),
    /** Keys of curves. */
    KEYS("keys", 150_000, 1, 400_000),
    /** Frames computed of nodes that have to be sampled. */
    SAMPLES("sampled frames of nodes", 100_000, 2, 1_000_000),
    /** Triangles of meshes. */
    TRIANGLES("triangles", 20_000, 2, 10_000_000);

    private final String words;
    private final long room;
    private final long anOctet;
    private final long most;

    Thing(String words, long room, long anOctet, long most) {
      this.words = words;
      this.room = room;
      this.anOctet = anOctet;
      this.most = most;
    }
  }

  /**
   * @param octets size of the file with all that was sent along
   */
  public ReadBudget(long octets) {
    this.octets = octets;
    for (Thing thing : Thing.values()) {
      left[thing.ordinal()] = mostOf(thing);
    }
  }

  private long mostOf(Thing thing) {
    return Math.min(thing.most, thing.room + octets * thing.anOctet);
  }

  /**
   * Takes some of the budget, before the things are made.
   *
   * @param where what asks for them
   * @throws FormatException with what is allowed for a file of this size
   * @throws StoppedException if whoever reads was asked to stop
   */
  public void take(Thing thing, long count, String where) throws FormatException {
    StoppedException.check();
    left[thing.ordinal()] -= count;
    if (count < 0 || left[thing.ordinal()] < 0) {
      throw new FormatException(
          where,
          "in need of " + count + " " + thing.words + ", which is too many with all before",
          "at most " + mostOf(thing) + " " + thing.words + " in a file of " + octets + " bytes");
    }
  }
}
