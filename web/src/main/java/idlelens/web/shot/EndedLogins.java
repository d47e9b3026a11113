package idlelens.web.shot;

import jakarta.servlet.http.HttpSessionEvent;
import jakarta.servlet.http.HttpSessionListener;
import org.springframework.stereotype.Component;

/** Ends the events of a log-in together with it. */
@Component
class EndedLogins implements HttpSessionListener {
  private final ShotEvents events;

  EndedLogins(ShotEvents events) {
    this.events = events;
  }

  @Override
  public void sessionDestroyed(HttpSessionEvent event) {
    String session = event.getSession().getId();
    events.endWhere(w -> w.session().equals(session));
  }
}
