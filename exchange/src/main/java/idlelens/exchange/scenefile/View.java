package idlelens.exchange.scenefile;

import java.util.List;

/** What a file says of how much a camera sees. */
public sealed interface View {
  List<Lane> lanes();

  /** The full angle up, in radians. */
  record Upright(Lane radians) implements View {
    @Override
    public List<Lane> lanes() {
      return List.of(radians);
    }
  }

  /** The full angle across, in radians. */
  record Across(Lane radians) implements View {
    @Override
    public List<Lane> lanes() {
      return List.of(radians);
    }
  }

  /** What lies beside and above each other in the picture, in parallel, in the file's unit. */
  record Parallel(Lane width, Lane height) implements View {
    @Override
    public List<Lane> lanes() {
      return List.of(width, height);
    }
  }

  /** Focal length and the part of the sensor that is used, in millimetres. */
  record Focal(Lane focalMm, Lane widthMm, Lane heightMm) implements View {
    @Override
    public List<Lane> lanes() {
      return List.of(focalMm, widthMm, heightMm);
    }
  }
}
