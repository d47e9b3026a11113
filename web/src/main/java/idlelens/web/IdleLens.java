package idlelens.web;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The application. */
@SpringBootApplication
@EnableScheduling
public class IdleLens {
  public static void main(String[] arguments) {
    SpringApplication.run(IdleLens.class, arguments);
  }
}
