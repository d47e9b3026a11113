package idlelens.web.shot;

import idlelens.core.lens.SensorFormat;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.exchange.json.JsonPlace;
import idlelens.web.account.AccountUser;
import idlelens.web.production.ProductionRepository;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The pages: productions with their shots, Floor and Curves of a shot, its hand-off. */
@Controller
class ShotPages {
  private final ShotService shots;
  private final ShotRepository repository;
  private final ProductionRepository productions;
  private final PictureRepository pictures;
  private final Clock clock;

  ShotPages(
      ShotService shots,
      ShotRepository repository,
      ProductionRepository productions,
      PictureRepository pictures,
      Clock clock) {
    this.shots = shots;
    this.repository = repository;
    this.productions = productions;
    this.pictures = pictures;
    this.clock = clock;
  }

  /** A shot as a card on the page of productions. */
  record Card(
      long id,
      String name,
      String length,
      String rate,
      String changed,
      long revision,
      String picture,
      PlanSketch plan) {}

  /** A production with its shots. */
  record Section(long id, String name, List<Card> shots) {}

  @GetMapping("/")
  String productions(@AuthenticationPrincipal AccountUser account, Model model) {
    List<Section> sections =
        productions.of(account.id()).stream()
            .map(
                p ->
                    new Section(
                        p.id(), p.name(), repository.of(p.id()).stream().map(this::card).toList()))
            .toList();
    model.addAttribute("sections", sections);
    model.addAttribute("account", account);
    return "productions";
  }

  private Card card(ShotRepository.Listed listed) {
    LiveShot live = shots.live(listed.id());
    Shot shot = live.shot();
    ShotHeader header = shot.header();
    int frames = header.range().length();
    String length =
        String.format(Locale.ROOT, "%d f · %.1f s", frames, header.rate().seconds(frames));
    return new Card(
        listed.id(),
        header.name(),
        length,
        header.rate().label(),
        ago(listed.changedAt()),
        listed.revision(),
        pictures.revision(listed.id()).map(r -> picture(listed.id(), r)).orElse(null),
        PlanSketch.of(shot, live.motion()));
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

  @GetMapping("/shots/{id}")
  String floor(@AuthenticationPrincipal AccountUser account, @PathVariable long id, Model model) {
    addShot(account, id, model);
    model.addAttribute("view", "floor");
    return "floor";
  }

  /** The same page, laid out for work on curves. */
  @GetMapping("/shots/{id}/curves")
  String curves(@AuthenticationPrincipal AccountUser account, @PathVariable long id, Model model) {
    addShot(account, id, model);
    model.addAttribute("view", "curves");
    return "floor";
  }

  @GetMapping("/shots/{id}/hand-off")
  String handOff(@AuthenticationPrincipal AccountUser account, @PathVariable long id, Model model) {
    addShot(account, id, model);
    return "hand-off";
  }

  private void addShot(AccountUser account, long id, Model model) {
    long production = productions.requireShot(account.id(), id);
    String productionName =
        productions.of(account.id()).stream()
            .filter(p -> p.id() == production)
            .findFirst()
            .orElseThrow()
            .name();
    LiveShot live = shots.live(id);
    model.addAttribute("account", account);
    model.addAttribute("shotId", id);
    model.addAttribute("productionId", production);
    model.addAttribute("production", productionName);
    model.addAttribute("shot", live.shot());
    model.addAttribute("revision", live.revision());
    model.addAttribute("sensors", sensors());
    model.addAttribute("pictured", pictures.revision(id).orElse(0L));
  }

  private static String sensors() {
    return JsonPlace.mapper()
        .writeValueAsString(
            Arrays.stream(SensorFormat.values())
                .map(
                    f ->
                        Map.of(
                            "label", f.label(),
                            "widthMm", f.back().widthMm(),
                            "heightMm", f.back().heightMm()))
                .toList());
  }
}
