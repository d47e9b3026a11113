package idlelens.web.soak;

import static org.assertj.core.api.Assertions.assertThat;

import idlelens.web.app.IdleLensExtension;
import idlelens.web.app.RunningApp;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/**
 * A short round of what {@link Soak} does at length; kills and full disks are with the database.
 */
@ExtendWith(IdleLensExtension.class)
class SoakTest {
  @Test
  void crowd_onOneShot_storesAllItsValues(RunningApp app) throws Exception {
    List<String> people = People.join(app, "short-round", 8);
    long[] one = {app.copyOf("Two cameras")};
    Crowd.Result result = new Crowd(app, people, one, 60).work(Duration.ofSeconds(4), true);
    assertThat(result.wrong()).isZero();
    assertThat(result.refused()).isZero();
    assertThat(result.edits().count()).isGreaterThanOrEqualTo(people.size());
    assertThat(result.fetches().count()).isGreaterThanOrEqualTo(people.size());
  }

  @Test
  void heavyRequests_areAnsweredOrRefused_andTheNeighbourGoesOn(RunningApp app) throws Exception {
    String neighbour = People.join(app, "short-neighbour", 1).get(0);
    for (HeavyRequests.Result result : new HeavyRequests(app, neighbour, 0.02).run(3)) {
      assertThat(result.statuses()).as(result.name()).isSubsetOf(200, 201, 413, 422);
      assertThat(result.neighbours().count()).isPositive();
    }
  }
}
