package idlelens.web.work;

import idlelens.core.rule.StoppedException;
import java.time.Clock;
import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ThreadFactory;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;
import java.util.function.Supplier;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.properties.EnableConfigurationProperties;
import org.springframework.stereotype.Component;

/** All work that is waiting or running. */
@Component
@EnableConfigurationProperties(WorkSettings.class)
public final class Works implements DisposableBean {
  private final WorkSettings settings;
  private final Clock clock;
  private final Lanes lanes;
  private final ExecutorService changing;
  private final ExecutorService reading;
  private final ExecutorService slow;
  private final ScheduledExecutorService deadlines =
      Executors.newSingleThreadScheduledExecutor(named("deadlines"));
  private final Map<Work, CompletableFuture<?>> all = new ConcurrentHashMap<>();

  Works(WorkSettings settings, Clock clock) {
    this.settings = settings;
    this.clock = clock;
    this.lanes = new Lanes(settings.mostInLane(), settings.mostInAll());
    this.changing = Executors.newFixedThreadPool(settings.quickThreads(), named("changing"));
    this.reading = Executors.newFixedThreadPool(settings.readThreads(), named("reading"));
    this.slow = Executors.newFixedThreadPool(settings.longThreads(), named("long"));
  }

  private static ThreadFactory named(String name) {
    AtomicInteger count = new AtomicInteger();
    return work -> {
      Thread thread = new Thread(work, "work-" + name + "-" + count.incrementAndGet());
      thread.setDaemon(true);
      return thread;
    };
  }

  /**
   * Who asks for what.
   *
   * @param id an id to ask for it by, or null for one of our own
   * @param what in a few words
   */
  public record Order(String id, long accountId, String what) {
    public Order(long accountId, String what) {
      this(null, accountId, what);
    }
  }

  /**
   * Work of which it is known what it costs.
   *
   * @param takesLong whether it may take longer than others should wait for a thread
   * @param rest the work itself
   */
  public record Costed<T>(boolean takesLong, Callable<T> rest) {}

  /**
   * Changes a shot, after all changes of it that came before. Others have to wait for a change that
   * takes long only if they change the same shot.
   *
   * @param work finds out what the change costs
   */
  public <T> CompletableFuture<T> change(long shotId, Order order, Callable<Costed<T>> work) {
    Piece<T> piece = new Piece<>(order, settings.longDeadline());
    return submit(
        "shot " + shotId,
        changing,
        piece,
        () -> {
          CompletableFuture<Costed<T>> costed = new CompletableFuture<>();
          perform(piece.work, work, costed, piece.work::rest);
          return costed.handle((c, failed) -> goOn(piece, c, failed)).thenCompose(s -> s);
        });
  }

  private <T> CompletionStage<?> goOn(Piece<T> piece, Costed<T> costed, Throwable failed) {
    if (failed != null) {
      piece.answer.completeExceptionally(failed);
    } else if (costed.takesLong()) {
      return CompletableFuture.runAsync(
          () -> perform(piece.work, costed.rest(), piece.answer, piece.work::end), slow);
    } else {
      perform(piece.work, costed.rest(), piece.answer, piece.work::end);
    }
    return CompletableFuture.completedFuture(null);
  }

  /**
   * Makes the answer of a change, when the lane of its shot has gone on already.
   *
   * @param made what came of the change
   */
  public <S, T> CompletableFuture<T> answer(CompletableFuture<S> made, Function<S, T> making) {
    return made.thenApplyAsync(making, changing);
  }

  /**
   * Reads or computes something small. An account's own reads of one thing wait for one another.
   */
  public <T> CompletableFuture<T> read(Object thing, Order order, Callable<T> work) {
    Piece<T> piece = new Piece<>(order, settings.quickDeadline());
    return submit(
        "account " + order.accountId() + " reads " + thing,
        reading,
        piece,
        () -> {
          perform(piece.work, work, piece.answer, piece.work::end);
          return CompletableFuture.completedFuture(null);
        });
  }

  /** Does something that may take long, one after another for each account. */
  public <T> CompletableFuture<T> takeLong(Order order, Callable<T> work) {
    return takeLong(order, work, done -> CompletableFuture.completedFuture(null));
  }

  /**
   * The same for what takes room also after it is done.
   *
   * @param until ends when the room is free again; only then the account's next work is begun
   */
  public <T> CompletableFuture<T> takeLong(
      Order order, Callable<T> work, Function<T, CompletionStage<Void>> until) {
    Piece<T> piece = new Piece<>(order, settings.longDeadline());
    return submit(
        "account " + order.accountId(),
        slow,
        piece,
        () -> {
          perform(piece.work, work, piece.answer, piece.work::end);
          return piece
              .answer
              .thenCompose(until)
              .toCompletableFuture()
              .orTimeout(piece.deadline.toMillis(), TimeUnit.MILLISECONDS);
        });
  }

  /** Work with the answer that is waited for. */
  private final class Piece<T> {
    private final Work work;
    private final Duration deadline;
    private final CompletableFuture<T> answer = new CompletableFuture<>();

    Piece(Order order, Duration deadline) {
      String id = order.id() == null ? UUID.randomUUID().toString() : order.id();
      this.work = new Work(id, order.accountId(), order.what(), clock.instant());
      this.deadline = deadline;
    }
  }

  private <T> CompletableFuture<T> submit(
      String lane, ExecutorService threads, Piece<T> piece, Supplier<CompletionStage<?>> begin) {
    all.put(piece.work, piece.answer);
    Future<?> timer =
        deadlines.schedule(
            () -> stop(piece.work, piece.answer, tooLong(piece.deadline)),
            piece.deadline.toMillis(),
            TimeUnit.MILLISECONDS);
    piece.answer.whenComplete(
        (done, failed) -> {
          timer.cancel(false);
          all.remove(piece.work);
        });
    try {
      lanes.submit(lane, threads, begin);
    } catch (BusyException e) {
      piece.answer.completeExceptionally(e);
    }
    return piece.answer;
  }

  private static <T> void perform(
      Work piece, Callable<T> work, CompletableFuture<T> answer, Runnable after) {
    T result;
    try {
      piece.begin();
      result = work.call();
    } catch (Throwable e) { // also what memory could not hold: whoever asked is told
      Throwable told = piece.told(e);
      piece.end();
      answer.completeExceptionally(told);
      return;
    }
    after.run();
    answer.complete(result);
  }

  private static String tooLong(Duration deadline) {
    return "This took longer than "
        + deadline.toSeconds()
        + " s and was stopped; nothing of it is saved. Ask for less at once";
  }

  private static boolean stop(Work work, CompletableFuture<?> answer, String why) {
    boolean stopped = work.stop(why);
    if (stopped) {
      answer.completeExceptionally(new StoppedException(why));
    }
    return stopped;
  }

  /** What an account has asked for and still waits for, the oldest first. */
  public List<Work.Told> of(long accountId) {
    return all.keySet().stream()
        .filter(w -> w.accountId() == accountId)
        .map(Work::told)
        .sorted(Comparator.comparing(Work.Told::since))
        .toList();
  }

  /**
   * Stops what an account has asked for.
   *
   * @return whether there was something to stop
   */
  public boolean stop(long accountId, String id) {
    return all.entrySet().stream()
        .filter(e -> e.getKey().accountId() == accountId && e.getKey().id().equals(id))
        .map(e -> stop(e.getKey(), e.getValue(), "Stopped as you asked; nothing of it is saved"))
        .reduce(false, Boolean::logicalOr);
  }

  @Override
  public void destroy() {
    changing.shutdownNow();
    reading.shutdownNow();
    slow.shutdownNow();
    deadlines.shutdownNow();
  }
}
