package idlelens.web.handoff;

import static idlelens.web.database.schema.Tables.RECEIVER_PROFILE;

import idlelens.core.rule.RefusedException;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.json.JsonPlace;
import idlelens.exchange.profile.ProfileJson;
import idlelens.exchange.profile.ReceiverProfile;
import idlelens.web.database.Transactions;
import idlelens.web.problem.NotFoundException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** What receivers want: the profiles that every production has, and those it keeps. */
@Repository
class ProfileRepository {
  private static final int MOST = 100;

  private final DSLContext sql;
  private final Transactions transactions;

  ProfileRepository(DSLContext sql, Transactions transactions) {
    this.sql = sql;
    this.transactions = transactions;
  }

  /** A profile, and whether it came with the application. */
  record Listed(ReceiverProfile profile, boolean builtIn) {}

  List<Listed> of(long productionId) {
    List<Listed> all = new ArrayList<>();
    ReceiverProfile.BUILT_IN.forEach(p -> all.add(new Listed(p, true)));
    sql.select(RECEIVER_PROFILE.CONTENT)
        .from(RECEIVER_PROFILE)
        .where(RECEIVER_PROFILE.PRODUCTION_ID.eq(productionId))
        .orderBy(RECEIVER_PROFILE.NAME)
        .fetch(RECEIVER_PROFILE.CONTENT)
        .forEach(content -> all.add(new Listed(parsed(content), false)));
    return all;
  }

  /** A profile by its name. */
  ReceiverProfile named(long productionId, String name) {
    return builtIn(name)
        .or(
            () ->
                sql.select(RECEIVER_PROFILE.CONTENT)
                    .from(RECEIVER_PROFILE)
                    .where(RECEIVER_PROFILE.PRODUCTION_ID.eq(productionId))
                    .and(RECEIVER_PROFILE.NAME.eq(name))
                    .fetchOptional(RECEIVER_PROFILE.CONTENT)
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
    transactions.write(
        () -> {
          sql.insertInto(RECEIVER_PROFILE)
              .set(RECEIVER_PROFILE.PRODUCTION_ID, productionId)
              .set(RECEIVER_PROFILE.NAME, profile.name())
              .set(RECEIVER_PROFILE.CONTENT, content)
              .onDuplicateKeyUpdate()
              .set(RECEIVER_PROFILE.CONTENT, content)
              .execute();
          int count =
              sql.fetchCount(RECEIVER_PROFILE, RECEIVER_PROFILE.PRODUCTION_ID.eq(productionId));
          if (count > MOST) {
            throw new RefusedException("profiles.count", count, "up to " + MOST);
          }
          return count;
        });
  }

  /** Forgets a profile that the production keeps. */
  void forget(long productionId, String name) {
    int gone =
        transactions.write(
            () ->
                sql.deleteFrom(RECEIVER_PROFILE)
                    .where(RECEIVER_PROFILE.PRODUCTION_ID.eq(productionId))
                    .and(RECEIVER_PROFILE.NAME.eq(name))
                    .execute());
    if (gone == 0) {
      throw new NotFoundException("a profile of this production named '" + name + "'");
    }
  }
}
