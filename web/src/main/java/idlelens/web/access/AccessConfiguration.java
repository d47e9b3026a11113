package idlelens.web.access;

import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Puts the gate before every route. */
@Configuration
class AccessConfiguration implements WebMvcConfigurer {
  private final MembershipRepository memberships;

  AccessConfiguration(MembershipRepository memberships) {
    this.memberships = memberships;
  }

  @Override
  public void addInterceptors(InterceptorRegistry registry) {
    registry.addInterceptor(new AccessInterceptor(memberships));
  }
}
