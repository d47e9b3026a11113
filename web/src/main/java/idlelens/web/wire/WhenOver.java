package idlelens.web.wire;

import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import java.io.IOException;

/** Hears when a request is answered, however often it is put off in between. */
abstract class WhenOver implements AsyncListener {
  /** The body did not come in time. */
  abstract void late();

  /** All is over. */
  abstract void over() throws IOException;

  @Override
  public void onStartAsync(AsyncEvent event) {
    event.getAsyncContext().addListener(this);
  }

  @Override
  public void onTimeout(AsyncEvent event) {
    late();
  }

  @Override
  public void onError(AsyncEvent event) {
    late();
  }

  @Override
  public void onComplete(AsyncEvent event) throws IOException {
    over();
  }
}
