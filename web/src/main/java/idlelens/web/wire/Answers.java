package idlelens.web.wire;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** Answers in pieces. */
public final class Answers {
  private Answers() {}

  /** What a controller returns for an answer that goes out in pieces. */
  public static ResponseEntity<byte[]> inPieces(
      HttpServletRequest request, MediaType type, Pieces pieces) {
    WireFilter.send(request, pieces);
    return ResponseEntity.ok().contentType(type).build();
  }
}
