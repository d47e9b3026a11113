package idlelens.web.wire;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.HttpOutputMessage;
import org.springframework.http.MediaType;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Hands what a route answers in pieces to the wire, which takes them when there is room. */
@Component
final class PiecesConverter implements HttpMessageConverter<Pieces> {
  @Override
  public boolean canRead(Class<?> type, MediaType media) {
    return false;
  }

  @Override
  public boolean canWrite(Class<?> type, MediaType media) {
    return Pieces.class.isAssignableFrom(type);
  }

  @Override
  public List<MediaType> getSupportedMediaTypes() {
    return List.of(MediaType.ALL);
  }

  @Override
  public Pieces read(Class<? extends Pieces> type, HttpInputMessage input) {
    throw new UnsupportedOperationException("pieces are only sent");
  }

  @Override
  public void write(Pieces pieces, MediaType media, HttpOutputMessage output) {
    output.getHeaders().setContentType(media);
    HttpServletRequest request =
        ((ServletRequestAttributes) RequestContextHolder.currentRequestAttributes()).getRequest();
    WireFilter.send(request, pieces);
    try {
      output.getBody(); // the headers go into the answer
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
