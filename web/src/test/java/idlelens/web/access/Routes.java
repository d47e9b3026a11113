package idlelens.web.access;

import idlelens.web.app.RunningApp;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** All routes of the running application with the rights they ask for. */
final class Routes {
  private Routes() {}

  /** One way to call the application. */
  record Route(String method, String path, String takes, Right right) {
    /** A body that can be read, and holds nothing that is asked for. */
    String body() {
      return takes.startsWith("multipart")
          ? "--b\r\nContent-Disposition: form-data; name=\"x\"\r\n\r\n1\r\n--b--\r\n"
          : "{}";
    }

    /** As a line of the table in the documentation. */
    String line() {
      StringBuilder line = new StringBuilder("| `" + method + " " + path + "` |");
      for (Caller caller : Caller.values()) {
        line.append(' ').append(expected(caller)).append(" |");
      }
      return line.toString();
    }

    /** What the rules promise a caller: yes, or the status of the refusal. */
    String expected(Caller caller) {
      if (right == Right.ANYONE) {
        return "yes";
      }
      if (caller == Caller.NOBODY) {
        return path.startsWith("/api/") ? "401" : "log-in";
      }
      if (right.role().isEmpty()) {
        return "yes";
      }
      if (caller == Caller.OUTSIDER) {
        return "404";
      }
      return caller.role.includes(right.role().get()) ? "yes" : "403";
    }
  }

  /** Who calls. */
  enum Caller {
    NOBODY(null),
    OUTSIDER(null),
    VIEWER(Role.VIEWER),
    ARTIST(Role.ARTIST),
    OWNER(Role.OWNER);

    private final Role role;

    Caller(Role role) {
      this.role = role;
    }
  }

  /** Every route of ours; fails if one does not say which right it needs. */
  static List<Route> of(RunningApp app) {
    List<Route> all = new ArrayList<>();
    Map<RequestMappingInfo, HandlerMethod> handlers =
        app.bean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class)
            .getHandlerMethods();
    handlers.forEach(
        (info, handler) -> {
          if (AccessInterceptor.isOurs(handler) && !info.getPatternValues().contains("/error")) {
            add(all, info, AccessInterceptor.rightOf(handler));
          }
        });
    all.sort(Comparator.comparing(Route::path).thenComparing(Route::method));
    return all;
  }

  private static void add(List<Route> all, RequestMappingInfo info, Right right) {
    String takes =
        info.getConsumesCondition().getConsumableMediaTypes().stream()
            .findFirst()
            .map(Object::toString)
            .map(type -> type.startsWith("multipart") ? type + "; boundary=b" : type)
            .orElse("application/json");
    for (String path : info.getPatternValues()) {
      info.getMethodsCondition()
          .getMethods()
          .forEach(m -> all.add(new Route(m.name(), path, takes, right)));
    }
  }
}
