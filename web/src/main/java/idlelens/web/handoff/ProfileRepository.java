package idlelens.web.handoff;

import static idlelens.web.database.schema.Tables.RECEIVER_PROFILE;

import idlelens.core.rule.RefusedException;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.profile.ProfileJson;
import idlelens.exchange.profile.ReceiverProfile;
import idlelens.web.database.Transactions;
import idlelens.web.kept.KeptRepository;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** What receivers want: the profiles that every production has, and those it keeps. */
@Repository
class ProfileRepository {
  private static final int MOST = 100;

  private final KeptRepository kept;

  ProfileRepository(DSLContext sql, Transactions transactions) {
    this.kept = new KeptRepository(sql, transactions, RECEIVER_PROFILE, "profile", MOST);
  }

  /** A profile, and whether it came with the application. */
  record Listed(ReceiverProfile profile, boolean builtIn) {}

  List<Listed> of(long productionId) {
    List<Listed> all = new ArrayList<>();
    ReceiverProfile.BUILT_IN.forEach(p -> all.add(new Listed(p, true)));
    all.addAll(
        kept.all(
            productionId,
            List.of(RECEIVER_PROFILE.CONTENT),
            r -> new Listed(parsed(r.get(RECEIVER_PROFILE.CONTENT)), false)));
    return all;
  }

  /** A profile by its name. */
  ReceiverProfile named(long productionId, String name) {
    return builtIn(name)
        .or(
            () ->
                kept.find(productionId, name, RECEIVER_PROFILE.CONTENT)
                    .map(ProfileRepository::parsed))
        .orElseThrow(
            () ->
                new RefusedException(
                    "profile", "'" + name + "'", "the name of a profile of this production"));
  }

  private static Optional<ReceiverProfile> builtIn(String name) {
    return ReceiverProfile.BUILT_IN.stream().filter(p -> p.name().equals(name)).findFirst();
  }

  private static ReceiverProfile parsed(String content) {
    try {
      return ProfileJson.read(JsonPlace.parse(content.getBytes(StandardCharsets.UTF_8)));
    } catch (FormatException e) {
      throw new IllegalStateException("a kept profile cannot be read", e);
    }
  }

  /** Keeps a profile, in place of the one of its name. */
  void keep(long productionId, ReceiverProfile profile) {
    if (builtIn(profile.name()).isPresent()) {
      throw new RefusedException(
          "name",
          "'" + profile.name() + "', which came with Idle Lens",
          "another name for the copy");
    }
    String content = JsonPlace.mapper().writeValueAsString(ProfileJson.write(profile));
    parsed(content); // what is stored is read back first
    kept.keep(productionId, profile.name(), Map.of(RECEIVER_PROFILE.CONTENT, content));
  }

  /** Forgets a profile that the production keeps. */
  void forget(long productionId, String name) {
    kept.remove(productionId, name);
  }
}
