package idlelens.web.account;

import idlelens.core.rule.RefusedException;
import idlelens.web.database.StandaloneDatabase;
import idlelens.web.problem.NotFoundException;
import java.io.BufferedReader;
import java.io.Console;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.springframework.boot.logging.LogLevel;
import org.springframework.boot.logging.LoggingSystem;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;

/**
 * Accounts from the command line: {@code add NAME [SHOWN NAME]}, {@code password NAME}, {@code
 * remove NAME}, {@code list}. A password is asked for, or read as one line of the standard input;
 * it is never an argument, where others could read it.
 */
public final class AccountCommand {
  private static final int ROUNDS = 10;
  private static final int LEAST_PASSWORD = 8;
  private static final int MOST_PASSWORD = 70; // of octets, since bcrypt takes 72
  private static final String USAGE =
      "bin/account add NAME [SHOWN NAME] | password NAME | remove NAME | list";

  private final AccountRepository accounts;
  private final PrintStream out;
  private final PasswordEncoder encoder =
      new DelegatingPasswordEncoder("bcrypt", Map.of("bcrypt", new BCryptPasswordEncoder(ROUNDS)));

  private AccountCommand(AccountRepository accounts, PrintStream out) {
    this.accounts = accounts;
    this.out = out;
  }

  public static void main(String[] arguments) {
    System.setProperty("org.jooq.no-logo", "true");
    System.setProperty("org.jooq.no-tips", "true");
    LoggingSystem.get(AccountCommand.class.getClassLoader())
        .setLogLevel(LoggingSystem.ROOT_LOGGER_NAME, LogLevel.WARN);
    System.exit(run(arguments, System.getenv(), System.out));
  }

  /** Gives 0, 1 if it is refused, 2 if it is not understood. */
  static int run(String[] arguments, Map<String, String> environment, PrintStream out) {
    boolean known =
        arguments.length >= 2 && Arrays.asList("add", "password", "remove").contains(arguments[0])
            || arguments.length == 1 && arguments[0].equals("list");
    if (!known) {
      out.println("Idle Lens: " + USAGE);
      return 2;
    }
    try (StandaloneDatabase database = StandaloneDatabase.open(environment).migrated()) {
      AccountRepository accounts =
          new AccountRepository(database.sql(), database.transactions(), Clock.systemUTC());
      new AccountCommand(accounts, out).perform(arguments);
      return 0;
    } catch (RefusedException | NotFoundException | IOException e) {
      out.println("Idle Lens: " + e.getMessage());
      return 1;
    }
  }

  private void perform(String[] arguments) throws IOException {
    String name = arguments.length > 1 ? arguments[1] : "";
    switch (arguments[0]) {
      case "add" -> {
        String shown = arguments.length > 2 ? arguments[2] : name;
        accounts.add(name, shown, encoder.encode(password()));
        out.println(name + " can log in now. An owner of a production can make it a member there.");
      }
      case "password" -> {
        accounts.setPassword(name, encoder.encode(password()));
        out.println(name + " has a new password; where it was logged in, it is no longer.");
      }
      case "remove" -> {
        List<String> left = accounts.remove(name);
        out.println(name + " can no longer log in. What it made stays.");
        left.forEach(production -> out.println("“" + production + "” has no owner any more."));
      }
      default -> accounts.names().forEach(out::println);
    }
  }

  private static String password() throws IOException {
    Console console = System.console();
    String given;
    if (console != null) {
      given = new String(console.readPassword("Password: "));
    } else {
      given =
          new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8)).readLine();
    }
    String password = given == null ? "" : given;
    boolean fits =
        password.length() >= LEAST_PASSWORD
            && password.getBytes(StandardCharsets.UTF_8).length <= MOST_PASSWORD;
    if (!fits) {
      throw new RefusedException(
          "password",
          password.length() + " characters",
          "at least " + LEAST_PASSWORD + ", and at most " + MOST_PASSWORD + " octets");
    }
    return password;
  }
}
