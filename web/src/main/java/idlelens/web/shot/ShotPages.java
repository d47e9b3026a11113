package idlelens.web.shot;

import idlelens.core.time.FrameRate;
import idlelens.web.access.Membership;
import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import idlelens.web.access.Role;
import idlelens.web.account.AccountUser;
import idlelens.web.production.ProductionRepository;
import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestAttribute;

/** The pages: productions with their shots, the views of a shot, its hand-off. */
@Controller
class ShotPages {
  private final ShotService shots;
  private final CardRepository cards;
  private final Sketches sketches;
  private final ProductionRepository productions;
  private final PictureRepository pictures;
  private final Clock clock;

  ShotPages(
      ShotService shots,
      CardRepository cards,
      Sketches sketches,
      ProductionRepository productions,
      PictureRepository pictures,
      Clock clock) {
    this.shots = shots;
    this.cards = cards;
    this.sketches = sketches;
    this.productions = productions;
    this.pictures = pictures;
    this.clock = clock;
  }

  /**
   * A shot as a card on the page of productions.
   *
   * @param plan its plan, or null while there is none
   * @param trouble why it cannot be shown, or null
   */
  record Card(
      long id,
      String name,
      String length,
      String rate,
      String changed,
      long revision,
      String picture,
      PlanSketch plan,
      String trouble) {}

  /** A production with its shots, and what the account may do there. */
  record Section(long id, String name, boolean changes, boolean manages, List<Card> shots) {}

  @GetMapping("/")
  @Needs(Right.ACCOUNT)
  String productions(@AuthenticationPrincipal AccountUser account, Model model) {
    Map<Long, List<Card>> shots =
        cards.of(account.id()).stream()
            .collect(
                Collectors.groupingBy(
                    CardRepository.Stored::productionId,
                    Collectors.mapping(this::card, Collectors.toList())));
    model.addAttribute(
        "sections",
        productions.of(account.id()).stream()
            .map(p -> section(p, shots.getOrDefault(p.id(), List.of())))
            .toList());
    model.addAttribute("deleted", productions.deletedOf(account.id()));
    model.addAttribute("account", account);
    return "productions";
  }

  private static Section section(ProductionRepository.Production production, List<Card> shots) {
    Role role = Role.of(production.role());
    return new Section(
        production.id(),
        production.name(),
        role.includes(Role.ARTIST),
        role.includes(Role.OWNER),
        shots);
  }

  private Card card(CardRepository.Stored stored) {
    if (stored.sketched().filter(r -> r >= stored.revision()).isEmpty()) {
      sketches.changed(stored.id());
    }
    Optional<FrameRate> rate = stored.rate().map(FrameRate::parse);
    return new Card(
        stored.id(),
        stored.name(),
        stored.frames().flatMap(f -> rate.map(r -> length(f, r))).orElse(""),
        rate.map(FrameRate::label).orElse(""),
        ago(stored.changedAt()),
        stored.revision(),
        stored.pictured().map(r -> picture(stored.id(), r)).orElse(null),
        stored.sketch().orElse(null),
        stored.trouble().orElse(null));
  }

  private static String length(int frames, FrameRate rate) {
    return String.format(Locale.ROOT, "%d f · %.1f s", frames, rate.seconds(frames));
  }

  private static String picture(long shotId, long revision) {
    return "/api/shots/" + shotId + "/picture?revision=" + revision;
  }

  private String ago(LocalDateTime then) {
    Duration age = Duration.between(then, LocalDateTime.now(clock.withZone(ZoneOffset.UTC)));
    if (age.toMinutes() < 1) {
      return "changed just now";
    }
    if (age.toHours() < 1) {
      return "changed " + age.toMinutes() + " min ago";
    }
    return age.toDays() < 1
        ? "changed " + age.toHours() + " h ago"
        : "changed on " + then.format(DateTimeFormatter.ISO_LOCAL_DATE);
  }

  /** One page, laid out for what is worked on: the Floor, or what the address ends in. */
  @GetMapping({"/shots/{id}", "/shots/{id}/curves", "/shots/{id}/lens", "/shots/{id}/checks"})
  @Needs(Right.READ_SHOT)
  String shot(
      @AuthenticationPrincipal AccountUser account,
      @RequestAttribute(Membership.ATTRIBUTE) Membership membership,
      @PathVariable long id,
      HttpServletRequest request,
      Model model) {
    addShot(account, membership, id, model);
    String path = request.getServletPath();
    String end = path.substring(path.lastIndexOf('/') + 1);
    model.addAttribute("view", end.equals(Long.toString(id)) ? "floor" : end);
    return "floor";
  }

  @GetMapping("/shots/{id}/hand-off")
  @Needs(Right.READ_SHOT)
  String handOff(
      @AuthenticationPrincipal AccountUser account,
      @RequestAttribute(Membership.ATTRIBUTE) Membership membership,
      @PathVariable long id,
      Model model) {
    addShot(account, membership, id, model);
    return "hand-off";
  }

  private void addShot(AccountUser account, Membership membership, long id, Model model) {
    long production = membership.productionId();
    String productionName =
        productions.of(account.id()).stream()
            .filter(p -> p.id() == production)
            .findFirst()
            .orElseThrow()
            .name();
    LiveShot live = shots.live(id);
    model.addAttribute("account", account);
    model.addAttribute("changes", membership.role().includes(Role.ARTIST));
    model.addAttribute("shotId", id);
    model.addAttribute("productionId", production);
    model.addAttribute("production", productionName);
    model.addAttribute("shot", live.shot());
    model.addAttribute("revision", live.revision());
    model.addAttribute("pictured", pictures.revision(id).orElse(0L));
  }
}
