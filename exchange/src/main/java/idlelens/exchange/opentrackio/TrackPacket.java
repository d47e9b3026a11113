package idlelens.exchange.opentrackio;

import idlelens.exchange.format.FormatException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.OptionalInt;

/**
 * A sample as it goes over a network: sixteen octets of head, then the sample as JSON. The head has
 * {@code OTrk}; one octet of nothing; 1 for JSON; a number that counts to 65535 and begins again; 0
 * for the first part of a sample; the length of what follows, with the highest bit set on its last
 * part; and a sum over all octets but itself. A bare sample in a datagram is read too.
 *
 * @param number of the packet, if it has a head
 * @param text the sample
 */
public record TrackPacket(OptionalInt number, String text) {
  /** The longest datagram that is read, in octets. */
  public static final int MOST_OCTETS = 8192;

  /** Numbers of packets begin again after so many. */
  public static final int NUMBERS = 1 << 16;

  private static final byte[] MARK = "OTrk".getBytes(StandardCharsets.US_ASCII);
  private static final int HEAD = 16;
  private static final int SUM_AT = 14;
  private static final int JSON = 1;
  private static final int LAST = 0x8000;

  /**
   * @param octets what came; only the first {@code length} count
   * @throws FormatException if it is too long, cut short, damaged, or no text
   */
  public static TrackPacket read(byte[] octets, int length) throws FormatException {
    if (length > MOST_OCTETS) {
      throw new FormatException("datagram", length + " octets", "at most " + MOST_OCTETS);
    }
    if (length > 0 && octets[0] == '{') {
      return new TrackPacket(OptionalInt.empty(), text(octets, 0, length));
    }
    if (length < HEAD || !isMarked(octets)) {
      throw new FormatException("datagram", "no sample", "a packet OTrk, or a sample as JSON");
    }
    ByteBuffer head = ByteBuffer.wrap(octets, 0, length);
    int encoding = head.get(5);
    int number = Short.toUnsignedInt(head.getShort(6));
    int offset = head.getInt(8);
    int size = Short.toUnsignedInt(head.getShort(12));
    int sum = Short.toUnsignedInt(head.getShort(SUM_AT));
    if (sum != sum(octets, length)) {
      throw new FormatException("datagram.sum", sum, sum(octets, length) + "; it is damaged");
    }
    if (encoding != JSON) {
      throw new FormatException("datagram.encoding", encoding, "1, for JSON");
    }
    if (offset != 0 || size != (LAST | length - HEAD)) {
      throw new FormatException("datagram.length", size & ~LAST, "a whole sample in one packet");
    }
    return new TrackPacket(OptionalInt.of(number), text(octets, HEAD, length - HEAD));
  }

  private static boolean isMarked(byte[] octets) {
    for (int i = 0; i < MARK.length; i++) {
      if (octets[i] != MARK[i]) {
        return false;
      }
    }
    return true;
  }

  private static String text(byte[] octets, int from, int length) throws FormatException {
    try {
      return StandardCharsets.UTF_8
          .newDecoder()
          .decode(ByteBuffer.wrap(octets, from, length))
          .toString();
    } catch (CharacterCodingException e) {
      throw new FormatException("datagram", "not text", "a sample of OpenTrackIO in UTF-8");
    }
  }

  /** The packet's octets, with its head where it has a number. */
  public byte[] write() {
    byte[] sample = text.getBytes(StandardCharsets.UTF_8);
    if (number.isEmpty()) {
      return sample;
    }
    ByteBuffer out = ByteBuffer.allocate(HEAD + sample.length);
    out.put(MARK).put((byte) 0).put((byte) JSON).putShort((short) number.getAsInt());
    out.putInt(0).putShort((short) (LAST | sample.length)).putShort((short) 0).put(sample);
    byte[] octets = out.array();
    out.putShort(SUM_AT, (short) sum(octets, octets.length));
    return octets;
  }

  /**
   * Over all octets but those of the sum: Fletcher, "An arithmetic checksum for serial
   * transmissions", IEEE Transactions on Communications 30(1), 1982, with 16 bits.
   */
  private static int sum(byte[] octets, int length) {
    int low = 0;
    int high = 0;
    for (int i = 0; i < length; i++) {
      if (i < SUM_AT || i >= HEAD) {
        low = (low + Byte.toUnsignedInt(octets[i])) % 255;
        high = (high + low) % 255;
      }
    }
    return high << 8 | low;
  }
}
