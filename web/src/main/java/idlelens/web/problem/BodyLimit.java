package idlelens.web.problem;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Refuses request bodies, other than uploads of files, that are larger than any edit can be. */
@Component
@Order(-200)
class BodyLimit extends OncePerRequestFilter {
  private static final long MOST_BYTES = 16L << 20;

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String type = request.getContentType();
    if (type != null && type.startsWith("multipart/")) {
      chain.doFilter(request, response);
    } else if (request.getContentLengthLong() > MOST_BYTES) {
      response.setStatus(413);
      response.setContentType("application/problem+json");
      response
          .getWriter()
          .write(
              "{\"status\":413,\"title\":\"Too large\",\"detail\":\"The request is "
                  + request.getContentLengthLong()
                  + " bytes; allowed: at most "
                  + MOST_BYTES
                  + "\"}");
    } else {
      chain.doFilter(new Counted(request), response);
    }
  }

  /** Counts what is read, for requests that do not state their length. */
  private static final class Counted extends HttpServletRequestWrapper {
    Counted(HttpServletRequest request) {
      super(request);
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
      ServletInputStream in = super.getInputStream();
      return new ServletInputStream() {
        private long count;

        @Override
        public int read() throws IOException {
          int next = in.read();
          add(next < 0 ? 0 : 1);
          return next;
        }

        @Override
        public int read(byte[] into, int at, int length) throws IOException {
          int got = in.read(into, at, length);
          add(got);
          return got;
        }

        private void add(int got) throws IOException {
          count += Math.max(0, got);
          if (count > MOST_BYTES) {
            throw new IOException("The request is larger than " + MOST_BYTES + " bytes");
          }
        }

        @Override
        public boolean isFinished() {
          return in.isFinished();
        }

        @Override
        public boolean isReady() {
          return in.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
          in.setReadListener(listener);
        }
      };
    }
  }
}
