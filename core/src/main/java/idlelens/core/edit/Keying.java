package idlelens.core.edit;

/** Where a changed value goes. */
public enum Keying {
  /** Into the rest value of a channel without keys, or into the key that stands at the frame. */
  STILL,
  /** Into a key on each changed channel. */
  TOUCHED,
  /** Into a key on all six channels of the pose, if one of them changed. */
  WHOLE_POSE
}
