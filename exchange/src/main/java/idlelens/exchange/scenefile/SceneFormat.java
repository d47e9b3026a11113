package idlelens.exchange.scenefile;

import idlelens.exchange.format.FormatException;
import java.util.List;

/** A format: octets to a scene, and a scene to octets. */
public interface SceneFormat {
  /** What is said of it. */
  FormatFacts facts();

  /** Its short name. */
  default String id() {
    return facts().id();
  }

  /** What it is called. */
  default String label() {
    return facts().label();
  }

  /** Letters behind the dot of its files. */
  default List<String> endings() {
    return facts().endings();
  }

  /** What it can hold. */
  default Holds holds() {
    return facts().holds();
  }

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
