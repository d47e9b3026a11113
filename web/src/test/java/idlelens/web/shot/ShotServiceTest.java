package idlelens.web.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.clearInvocations;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import idlelens.core.curve.Tangent;
import idlelens.core.edit.Edit;
import idlelens.core.edit.Rename;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.FrameRange;
import idlelens.core.time.FrameRate;
import idlelens.web.problem.ConflictException;
import java.util.ArrayList;
import java.util.List;
import org.jooq.exception.DataAccessException;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What the service does when storage is slow, gone, or written by somebody else. */
class ShotServiceTest {
  private static final long SHOT = 7;
  private static final Asker ASKER = new Asker(1, 1, "w", null);
  private static final List<Edit> RENAME = List.of(new Rename("keeper", "Watch"));

  private final ShotRepository repository = mock(ShotRepository.class);
  private final RevisionRepository revisions = mock(RevisionRepository.class);
  private final ShotEvents events = mock(ShotEvents.class);
  private final LiveShots live = new LiveShots();
  private final ShotService service =
      new ShotService(
          repository, revisions, mock(AssetRepository.class), live, events, mock(Sketches.class));

  @BeforeEach
  void storeAShot() {
    at(1);
    when(repository.write(anyLong(), anyLong(), any(), any(), any())).thenReturn(true);
  }

  private void at(long revision) {
    Shot shot =
        NewShot.with(
            new ShotHeader(
                "New", FrameRate.of(24), new FrameRange(1, 10), 0, 1.5, 1, Tangent.Kind.SETTLE));
    when(revisions.read(SHOT, revision)).thenReturn(shot);
    when(repository.revision(SHOT)).thenReturn(revision);
  }

  @Test
  void edit_storedAndTold() {
    EditOutcome outcome = service.edit(SHOT, 1, RENAME, "", ASKER);
    assertThat(outcome.after().revision()).isEqualTo(2);
    assertThat(outcome.changed()).isEmpty(); // a name moves nothing
    verify(events).tell(eq(SHOT), eq(2L), eq("Rename to Watch"), eq("w"));
  }

  @Test
  void edit_notStored_leavesTheShotAsItWasAndTellsNobody() {
    doThrow(new DataAccessException("gone"))
        .when(repository)
        .write(anyLong(), anyLong(), any(), any(), any());
    assertThatThrownBy(() -> service.edit(SHOT, 1, RENAME, "", ASKER))
        .isInstanceOf(DataAccessException.class);
    assertThat(service.current(SHOT).revision()).isEqualTo(1);
    assertThat(service.current(SHOT).shot().node("keeper").name()).isEqualTo("Keeper");
    verify(events, never()).tell(anyLong(), anyLong(), anyString(), any());
  }

  @Test
  void edit_somebodyElseWroteMeanwhile_readsAgainAndAppliesToThat() {
    when(repository.write(anyLong(), anyLong(), any(), any(), any()))
        .thenAnswer(
            call -> {
              if (call.getArgument(1, Long.class) == 1L) {
                at(2);
                return false;
              }
              return true;
            });
    when(repository.since(SHOT, 1)).thenReturn(List.of());
    assertThat(service.edit(SHOT, 1, RENAME, "", ASKER).after().revision()).isEqualTo(3);
  }

  @Test
  void whileARevisionIsBeingStored_theOneBeforeIsTheNewest_andNothingIsRead() {
    service.current(SHOT);
    List<Long> seen = new ArrayList<>();
    when(repository.write(anyLong(), anyLong(), any(), any(), any()))
        .thenAnswer(
            call -> {
              when(repository.revision(SHOT)).thenReturn(2L); // it is there, and nobody was told
              seen.add(service.current(SHOT).revision());
              return true;
            });
    service.edit(SHOT, 1, RENAME, "", ASKER);
    assertThat(seen).containsExactly(1L);
    assertThat(service.current(SHOT).revision()).isEqualTo(2);
    verify(revisions, never()).read(SHOT, 2);
  }

  @Test
  void since_whatIsKnownToBeNewer_isNotAskedFor_butNothingNewerIs() {
    service.edit(SHOT, 1, RENAME, "", ASKER);
    clearInvocations(repository);
    assertThat(service.since(SHOT, 1).after().revision()).isEqualTo(2);
    verify(repository, never()).revision(SHOT);
    at(3); // by somebody else
    assertThat(service.since(SHOT, 2).after().revision()).isEqualTo(3);
  }

  @Test
  void edit_notStored_isNoLongerWaitedFor() {
    service.current(SHOT);
    when(repository.write(anyLong(), anyLong(), any(), any(), any()))
        .thenThrow(new DataAccessException("gone"));
    assertThatThrownBy(() -> service.edit(SHOT, 1, RENAME, "", ASKER));
    at(2); // by somebody else
    assertThat(service.current(SHOT).revision()).isEqualTo(2);
  }

  @Test
  void edit_neverWritten_givesUpWithAConflict() {
    when(repository.write(anyLong(), anyLong(), any(), any(), any())).thenReturn(false);
    assertThatThrownBy(() -> service.edit(SHOT, 1, RENAME, "", ASKER))
        .isInstanceOf(ConflictException.class)
        .hasMessageContaining("faster than this change can be stored");
  }

  @Test
  void show_isNotStored() {
    EditOutcome outcome = service.show(SHOT, RENAME, ASKER);
    assertThat(outcome.stored()).isFalse();
    verify(repository, never()).write(anyLong(), anyLong(), any(), any(), any());
    assertThat(service.current(SHOT).shot().node("keeper").name()).isEqualTo("Keeper");
  }
}
