package idlelens.exchange.transfer;

import java.util.List;

/**
 * What came of a check.
 *
 * @param widthPx width of the picture in which pixels were counted
 * @param firstFrame the receiver's number of the first sample
 */
public record TransferReport(
    List<CameraReport> cameras, int widthPx, int firstFrame, Verdict verdict) {}
