package idlelens.web.work;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.Executor;
import java.util.function.Supplier;

/**
 * Runs tasks on given threads: those of one lane one after another in the order of their arrival,
 * those of different lanes side by side and, where threads are short, in turn. A task that waits
 * holds no thread.
 */
final class Lanes {
  private final int mostInLane;
  private final int mostInAll;
  private final Map<Object, Deque<Task>> waiting = new HashMap<>();
  private int count;

  /**
   * @param mostInLane the most tasks of one lane, the running one included
   * @param mostInAll the most tasks of all lanes
   */
  Lanes(int mostInLane, int mostInAll) {
    this.mostInLane = mostInLane;
    this.mostInAll = mostInAll;
  }

  private record Task(Executor threads, Supplier<CompletionStage<?>> work) {}

  /**
   * @param threads where the task begins
   * @param work begins the task; the lane goes on once its stage has ended, well or not
   * @throws BusyException if too much is waiting
   */
  void submit(Object lane, Executor threads, Supplier<CompletionStage<?>> work) {
    Task task = new Task(threads, work);
    synchronized (waiting) {
      Deque<Task> tasks = waiting.get(lane);
      if (count >= mostInAll || tasks != null && tasks.size() >= mostInLane) {
        throw new BusyException(tasks == null ? 0 : tasks.size());
      }
      waiting.computeIfAbsent(lane, l -> new ArrayDeque<>()).add(task);
      count++;
      if (tasks != null) {
        return;
      }
    }
    begin(lane, task);
  }

  private void begin(Object lane, Task task) {
    task.threads().execute(() -> task.work().get().whenComplete((done, failed) -> next(lane)));
  }

  private void next(Object lane) {
    Task task;
    synchronized (waiting) {
      Deque<Task> tasks = waiting.get(lane);
      tasks.remove();
      count--;
      task = tasks.peek();
      if (task == null) {
        waiting.remove(lane);
        return;
      }
    }
    begin(lane, task);
  }
}
