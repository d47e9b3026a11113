package idlelens.core.part;

/** Where in the chain a part stands; parts of one slot follow one another as the artist orders. */
public enum Slot {
  /** The node's own pose. */
  OWN,
  /** What the own pose stands in. */
  SPACE,
  /** What is done to the pose in the world. */
  WORLD,
  /** What the lens does. */
  LENS,
  /** What the node looks like. */
  NODE
}
