package idlelens.exchange.incoming;

import idlelens.core.scene.Node;
import idlelens.core.time.FrameRange;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;

/**
 * What was made of a file.
 *
 * @param nodes cameras, nulls, pieces and suns, carriers as in the file
 * @param range frames from the first to the last key
 * @param aspect picture aspect of the first camera that states one
 * @param assets stored triangles of the pieces, by their SHA-256
 * @param notes what was left out or changed, in plain words
 */
public record SceneImport(
    List<Node> nodes,
    FrameRange range,
    OptionalDouble aspect,
    Map<String, byte[]> assets,
    List<String> notes) {}
