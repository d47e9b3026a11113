package idlelens.web.access;

import idlelens.core.rule.RefusedException;
import idlelens.web.problem.ForbiddenException;
import idlelens.web.problem.NotFoundException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Optional;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;

/** Lets a request in to a route, or refuses it as if what it asks for were not there. */
final class AccessInterceptor implements HandlerInterceptor {
  private static final String OURS = "idlelens.";

  private final MembershipRepository memberships;

  AccessInterceptor(MembershipRepository memberships) {
    this.memberships = memberships;
  }

  @Override
  public boolean preHandle(
      HttpServletRequest request, HttpServletResponse response, Object handler) {
    boolean seen = request.getAttribute(Membership.ATTRIBUTE) != null; // before it was put off
    if (handler instanceof HandlerMethod route && isOurs(route) && !seen) {
      Right right = rightOf(route);
      right.role().ifPresent(role -> letIn(request, right, role));
    }
    return true;
  }

  static boolean isOurs(HandlerMethod route) {
    return route.getBeanType().getName().startsWith(OURS);
  }

  static Right rightOf(HandlerMethod route) {
    Needs needs = route.getMethodAnnotation(Needs.class);
    if (needs == null) {
      throw new IllegalStateException(route + " does not say which right it needs");
    }
    return needs.value();
  }

  private void letIn(HttpServletRequest request, Right right, Role needed) {
    long thing = thing(request, right.on());
    Membership membership =
        visitor()
            .flatMap(v -> membership(v, right.on(), thing))
            .orElseThrow(() -> missing(right.on(), thing));
    if (!membership.role().includes(needed)) {
      throw new ForbiddenException(
          "You are "
              + membership.role().words()
              + " of this production; this is for "
              + (needed == Role.OWNER ? "its owners" : "its artists and owners"));
    }
    request.setAttribute(Membership.ATTRIBUTE, membership);
  }

  private Optional<Membership> membership(Visitor visitor, Right.On on, long thing) {
    return switch (on) {
      case PRODUCTION -> memberships.inProduction(visitor.id(), thing, false);
      case DELETED_PRODUCTION -> memberships.inProduction(visitor.id(), thing, true);
      case SHOT -> memberships.ofShot(visitor.id(), thing, false);
      case DELETED_SHOT -> memberships.ofShot(visitor.id(), thing, true);
      case NOTHING -> Optional.empty();
    };
  }

  private static NotFoundException missing(Right.On on, long thing) {
    boolean production = on == Right.On.PRODUCTION || on == Right.On.DELETED_PRODUCTION;
    return new NotFoundException((production ? "Production " : "Shot ") + thing);
  }

  private static Optional<Visitor> visitor() {
    Authentication who = SecurityContextHolder.getContext().getAuthentication();
    return Optional.ofNullable(who)
        .map(Authentication::getPrincipal)
        .filter(Visitor.class::isInstance)
        .map(Visitor.class::cast);
  }

  private static long thing(HttpServletRequest request, Right.On on) {
    Map<?, ?> variables =
        (Map<?, ?>) request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
    String text = String.valueOf(variables.get(on.variable()));
    try {
      return Long.parseLong(text);
    } catch (NumberFormatException e) {
      throw new RefusedException(on.variable(), "'" + text + "'", "a whole number");
    }
  }
}
