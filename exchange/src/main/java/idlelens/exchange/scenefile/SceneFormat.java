package idlelens.exchange.scenefile;

import idlelens.exchange.format.FormatException;
import java.util.List;

/** A format: octets to a scene, and a scene to octets. */
public interface SceneFormat {
  /** Its short name, as in an address: {@code glb}. */
  String id();

  /** What it is called: {@code glTF 2.0, binary}. */
  String label();

  /** Letters behind the dot of the files that it reads; those it writes come first. */
  List<String> endings();

  /** For the head of an answer. */
  String mediaType();

  /** What it can hold. */
  Holds holds();

  /** Whether it is written, and not only read. */
  default boolean isWritten() {
    return true;
  }

  /**
   * @throws FormatException with the place in the file, what was found and what is allowed
   */
  SceneFile read(Upload upload) throws FormatException;

  /**
   * @param scene in conventions that it can hold
   */
  Written write(SceneFile scene);

  /**
   * A file.
   *
   * @param notes what it could not hold
   */
  record Written(byte[] octets, List<String> notes) {}
}
