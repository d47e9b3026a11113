package idlelens.web.wire;

import jakarta.servlet.DispatcherType;
import java.util.EnumSet;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.boot.context.properties.EnableConfigurationProperties;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;

/** Puts the wire before everything else. */
@Configuration
@EnableConfigurationProperties(WireSettings.class)
class WireConfiguration {
  private static final int SENDING_THREADS = 2;

  @Bean(destroyMethod = "shutdownNow")
  ExecutorService sendingThreads() {
    return Executors.newFixedThreadPool(
        SENDING_THREADS,
        work -> {
          Thread thread = new Thread(work, "sending");
          thread.setDaemon(true);
          return thread;
        });
  }

  @Bean
  FilterRegistrationBean<WireFilter> wire(WireSettings settings, ExecutorService sendingThreads) {
    FilterRegistrationBean<WireFilter> wire =
        new FilterRegistrationBean<>(new WireFilter(settings, sendingThreads));
    wire.setOrder(Ordered.HIGHEST_PRECEDENCE);
    wire.setDispatcherTypes(
        EnumSet.of(DispatcherType.REQUEST, DispatcherType.ASYNC, DispatcherType.ERROR));
    wire.setAsyncSupported(true);
    return wire;
  }

  @Bean
  WebServerFactoryCustomizer<TomcatServletWebServerFactory> safeHeaders() {
    return factory -> factory.addEngineValves(new SafeHeaders());
  }
}
