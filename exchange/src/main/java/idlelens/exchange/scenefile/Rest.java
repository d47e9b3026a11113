package idlelens.exchange.scenefile;

/** How a camera stands that is not turned. */
public enum Rest {
  /** It looks along the file's -Z, with the file's +Y up in its picture. */
  OWN_Z,
  /** It looks away from the viewer, level: along -Z where +Y is up, along +Y where +Z is up. */
  LEVEL
}
