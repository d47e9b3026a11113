package idlelens.core.smooth;

/**
 * A filter over a stretch of samples, one a frame. It never writes to what it is given.
 *
 * <p>Ends: what lags begins settled on the first sample; what does not lag goes on beyond both ends
 * as the mirror image about the end itself, which leaves lines as they are. So nobody's window is
 * made shorter.
 */
public interface Filter {
  /** The numbers of a stretch, filtered; as many, at least one. */
  double[] numbers(double[] values);

  /** The turns of a stretch, filtered. */
  Turning turns(Turning turns);
}
