package idlelens.web.wire;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.Filter;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletResponse;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.concurrent.Executor;

/**
 * Stands before everything: receives bodies whole before anybody works on them, and sends answers
 * after everybody has. The server's threads only ever work; none waits for the other side.
 */
final class WireFilter implements Filter {
  private static final String RECEIVED = "idlelens.received";
  private static final String REQUEST = "idlelens.request";
  private static final String RESPONSE = "idlelens.response";

  private final WireSettings settings;
  private final Hosts hosts;
  private final Senders senders;
  private final Turnstile large;
  private final Executor threads;

  WireFilter(WireSettings settings, Executor threads) {
    this.settings = settings;
    this.hosts = new Hosts(settings.hosts());
    this.senders = new Senders(settings.mostBodiesPerClient(), settings.mostBodies());
    this.large = new Turnstile(settings.mostLargeBodies());
    this.threads = threads;
  }

  /** Sends pieces as the answer of a request, in place of all that is written. */
  static void send(HttpServletRequest request, Pieces pieces) {
    ((GatheredResponse) request.getAttribute(RESPONSE)).send(pieces);
  }

  @Override
  public void doFilter(ServletRequest given, ServletResponse answer, FilterChain chain)
      throws IOException, ServletException {
    HttpServletRequest request = (HttpServletRequest) given;
    HttpServletResponse response = (HttpServletResponse) answer;
    Spool received = (Spool) request.getAttribute(RECEIVED);
    if (received != null) {
      request.removeAttribute(RECEIVED);
      begin(new ReceivedRequest(request, received), response, chain);
    } else if (request.getDispatcherType() == DispatcherType.ERROR) {
      tellError(request, response, chain);
    } else if (request.getAttribute(RESPONSE) != null) {
      goOn(request, response, chain);
    } else if (!hosts.allow(request.getHeader("Host"))) {
      refuse(request, response, Refusal.HOST);
    } else if (hasBody(request)) {
      receive(request, response, chain);
    } else {
      begin(request, response, chain);
    }
  }

  private static boolean hasBody(HttpServletRequest request) {
    return request.getContentLengthLong() > 0 || request.getHeader("Transfer-Encoding") != null;
  }

  private void receive(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws IOException, ServletException {
    long most = BodyLimits.mostBytes(request);
    long length = request.getContentLengthLong();
    if (length > 0 && length <= most && request.getInputStream().available() >= length) {
      Spool body = new Receiving(request.getInputStream(), most, null).now(length);
      begin(new ReceivedRequest(request, body), response, chain);
    } else if (!senders.enter(request.getRemoteAddr())) {
      refuse(request, response, Refusal.TOO_MANY);
    } else {
      await(request, most, length);
    }
  }

  /** Refuses, and closes the connection without waiting for what may still come. */
  private static void refuse(
      HttpServletRequest request, HttpServletResponse response, Refusal why) {
    ((Runnable) request.getAttribute(SafeHeaders.DROP_BODY)).run();
    why.write(response);
  }

  private void await(HttpServletRequest request, long most, long length) throws IOException {
    AsyncContext context = request.startAsync();
    // what is refused is only waited for as long as the smallest body
    context.setTimeout(
        WireSettings.patienceMs(settings.bodyDeadline(), length > most ? 0 : length));
    Arrival arrival = new Arrival(context, most);
    context.addListener(arrival);
    if (length > most) {
      arrival.tooLong();
    }
    request.getInputStream().setReadListener(arrival.receiving);
  }

  /** A body on its way, until the request is answered. */
  private final class Arrival extends WhenOver implements Receiving.Outcome {
    private final AsyncContext context;
    private final long most;
    private final String address;
    private final Receiving receiving;
    private boolean inside;
    private boolean isOver;
    private boolean refused;
    private Spool body;

    Arrival(AsyncContext context, long most) throws IOException {
      this.context = context;
      this.most = most;
      this.address = context.getRequest().getRemoteAddr();
      this.receiving = new Receiving(context.getRequest().getInputStream(), most, this);
    }

    @Override
    public void here(Spool received) {
      senders.leave(address);
      body = received;
      context.getRequest().setAttribute(RECEIVED, received);
      context.setTimeout(0); // from here on it is ours to be quick
      if (received.length() > Spool.MOST_IN_MEMORY) {
        large.enter(this::through);
      } else {
        context.dispatch();
      }
    }

    /** Its turn has come; it may be gone by then, but not while it is sent on its way. */
    private void through() {
      boolean gone;
      synchronized (this) {
        gone = isOver;
        inside = !gone;
        if (inside) {
          goOnUnlessEnding();
        }
      }
      if (gone) {
        large.leave();
      }
    }

    private void goOnUnlessEnding() {
      try {
        context.dispatch();
      } catch (IllegalStateException ending) {
        // over() follows, and leaves
      }
    }

    /** Said at once; the rest is taken and thrown away, so that the other side comes to hear it. */
    @Override
    public void tooLong() {
      refused = true;
      HttpServletResponse response = (HttpServletResponse) context.getResponse();
      Refusal.TOO_LARGE.write(response, most);
      receiving.throwAway();
      try {
        response.flushBuffer();
      } catch (IOException gone) {
        // whoever reads the rest hears of it too
      }
    }

    @Override
    public void gone() {
      senders.leave(address);
      ((Runnable) context.getRequest().getAttribute(SafeHeaders.DROP_BODY)).run();
      if (!refused) {
        Refusal.TOO_SLOW.write((HttpServletResponse) context.getResponse());
      }
      context.complete();
    }

    @Override
    void late() {
      receiving.giveUp();
    }

    @Override
    void over() throws IOException {
      boolean leaves;
      synchronized (this) {
        isOver = true;
        leaves = inside;
      }
      if (leaves) {
        large.leave();
      }
      if (body != null) {
        body.close();
      }
    }
  }

  private void begin(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws IOException, ServletException {
    GatheredResponse gathered = new GatheredResponse(response);
    request.setAttribute(REQUEST, request);
    request.setAttribute(RESPONSE, gathered);
    chain.doFilter(request, gathered);
    finish(request, gathered);
  }

  /** A few words, told at once, also where the answer had been put off. */
  private static void tellError(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws IOException, ServletException {
    GatheredResponse gathered = new GatheredResponse(response);
    chain.doFilter(request, gathered);
    for (byte[] part : gathered.octets()) {
      response.getOutputStream().write(part);
    }
  }

  private void goOn(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws IOException, ServletException {
    if (request.getAttribute(REQUEST) instanceof ReceivedRequest received) {
      received.putOff();
    }
    chain.doFilter(request, response);
    finish(request, (GatheredResponse) request.getAttribute(RESPONSE));
  }

  private void finish(HttpServletRequest request, GatheredResponse gathered) throws IOException {
    if (!request.isAsyncStarted()) {
      new Sending(settings.answerDeadline(), threads).send(request, gathered);
    }
  }
}
