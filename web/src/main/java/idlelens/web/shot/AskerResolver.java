package idlelens.web.shot;

import idlelens.web.access.Membership;
import idlelens.web.access.Visitor;
import idlelens.web.request.RequestId;
import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.MethodParameter;
import org.springframework.security.core.Authentication;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Gives routes the {@link Asker} of a request that was let in to a production. */
@Configuration
class AskerResolver implements WebMvcConfigurer, HandlerMethodArgumentResolver {
  @Override
  public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
    resolvers.add(this);
  }

  @Override
  public boolean supportsParameter(MethodParameter parameter) {
    return parameter.getParameterType() == Asker.class;
  }

  @Override
  public Asker resolveArgument(
      MethodParameter parameter,
      ModelAndViewContainer container,
      NativeWebRequest web,
      WebDataBinderFactory binders) {
    HttpServletRequest request = web.getNativeRequest(HttpServletRequest.class);
    Membership membership = (Membership) request.getAttribute(Membership.ATTRIBUTE);
    Authentication who = (Authentication) request.getUserPrincipal();
    return new Asker(
        ((Visitor) who.getPrincipal()).id(),
        membership.productionId(),
        request.getHeader(Asker.WINDOW),
        RequestId.of(request).text());
  }
}
