package idlelens.web.shot;

import idlelens.exchange.json.JsonPlace;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;

/** What an edit led to, as JSON or as octets, whichever the caller accepts. */
@Component
class OutcomeAnswer {
  private final ShotOctets octets;

  OutcomeAnswer(ShotOctets octets) {
    this.octets = octets;
  }

  /**
   * @param drawn the curves that octets hold too
   */
  ResponseEntity<byte[]> of(EditOutcome outcome, String accept, DrawnCurves drawn) {
    if (wantsOctets(accept)) {
      return ResponseEntity.ok()
          .contentType(MediaType.APPLICATION_OCTET_STREAM)
          .body(octetsOf(outcome, drawn));
    }
    Map<String, Object> answer = new LinkedHashMap<>();
    answer.put("revision", outcome.after().revision());
    answer.put("stored", outcome.stored());
    answer.put("changed", outcome.changed());
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_JSON)
        .body(JsonPlace.mapper().writeValueAsBytes(answer));
  }

  /** Of what is stored, the same for all who had the same before. */
  private byte[] octetsOf(EditOutcome outcome, DrawnCurves drawn) {
    return outcome.stored()
        ? outcome
            .after()
            .answer(
                new LiveShot.Asked(outcome.before().revision(), drawn),
                () -> octets.outcome(outcome, drawn))
        : octets.outcome(outcome, drawn);
  }

  static boolean wantsOctets(String accept) {
    return accept.contains(MediaType.APPLICATION_OCTET_STREAM_VALUE);
  }
}
