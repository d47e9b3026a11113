package idlelens.web.shot;

import idlelens.core.check.ShotSize;
import idlelens.core.curve.Curve;
import idlelens.core.edit.Footprint;
import idlelens.core.motion.Evaluation;
import idlelens.core.part.Part;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.scene.ShotHeader;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.json.ShotText;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;

/**
 * A shot at a revision, with its motion and its text. Both are made when they are first asked for,
 * from those of the revision before where there are any.
 */
final class LiveShot {
  private static final int NODES_LIKE_A_SAMPLE = 2;
  private static final int MOST_KEPT_ANSWERS = 8;
  private static final int MOST_KEPT_OCTETS = 64 << 10;

  private final long revision;
  private final Shot shot;
  private final Map<Asked, byte[]> answers = new ConcurrentHashMap<>();
  private final long ownKeys;
  private Evaluation lender;
  private volatile ShotText textLender;
  private Evaluation motion;
  private volatile ShotText text;
  private volatile long ownSamples;
  private volatile Footprint led;

  private LiveShot(long revision, Shot shot, long ownKeys, Evaluation lender, ShotText textLender) {
    this.revision = revision;
    this.shot = shot;
    this.ownKeys = ownKeys;
    this.lender = lender;
    this.textLender = textLender;
  }

  /** A shot of which nothing is known yet. */
  LiveShot(long revision, Shot shot) {
    this(revision, shot, ShotSize.of(shot).keys(), null, null);
  }

  long revision() {
    return revision;
  }

  Shot shot() {
    return shot;
  }

  synchronized Evaluation motion() {
    if (motion == null) {
      motion = Evaluation.of(shot, grid(shot), lender);
      ownSamples = ownSamples(motion, lender);
      lender = null; // what it lent is in here now; the rest of it may go
    }
    return motion;
  }

  /** Samples that an evaluation does not share with the one that lent to it. */
  private static long ownSamples(Evaluation made, Evaluation lender) {
    boolean sameGrid = lender != null && lender.grid().equals(made.grid());
    long nodes =
        made.shot().nodes().stream()
            .map(Node::id)
            .filter(id -> !made.isStill(id))
            .filter(id -> !sameGrid || !made.shares(id, lender))
            .count();
    return nodes * made.grid().count();
  }

  /**
   * What there is in memory only for this, in samples; a key with its text and all that is made of
   * it takes as much as one. Waits for nobody who computes.
   */
  long weight() {
    return ownSamples + ownKeys + shot.nodes().size() / NODES_LIKE_A_SAMPLE;
  }

  /** The keys of curves that another state does not have. */
  private static long ownKeys(Shot made, Shot before) {
    long keys = 0;
    for (Node node : made.nodes()) {
      Node old = before.find(node.id()).orElse(null);
      if (node != old) {
        for (Part part : node.chain().parts()) {
          keys += ownKeys(part, old);
        }
      }
    }
    return keys;
  }

  private static long ownKeys(Part part, Node old) {
    List<Curve> known =
        old == null
            ? List.of()
            : old.chain().find(part.id()).map(p -> p.curves().list()).orElse(List.of());
    return part.curves().list().stream()
        .filter(curve -> known.stream().noneMatch(k -> k == curve))
        .mapToLong(curve -> curve.keys().size())
        .sum();
  }

  /**
   * What the edit that led here from the revision before changed; empty where that is not known.
   */
  Optional<Footprint> led() {
    return Optional.ofNullable(led);
  }

  /** Says what the edit that led here changed. */
  void ledBy(Footprint footprint) {
    led = footprint;
  }

  /**
   * Who asks what led here.
   *
   * @param since the revision that the asker has
   */
  record Asked(long since, DrawnCurves drawn) {}

  /** The answer to those who ask alike, made once. */
  byte[] answer(Asked asked, Supplier<byte[]> making) {
    byte[] known = answers.get(asked);
    if (known != null) {
      return known;
    }
    byte[] made = making.get();
    if (made.length <= MOST_KEPT_OCTETS && answers.size() < MOST_KEPT_ANSWERS) {
      answers.put(asked, made);
    }
    return made;
  }

  /** It is no longer the newest: its text and its answers are hardly asked for again. */
  void grewOld() {
    text = null;
    textLender = null;
    answers.clear();
  }

  /**
   * The motion at the moments of another state's samples, counted from the first frame of both. At
   * one rate these are the frames themselves, and the motion is as {@link #motion()} gives it.
   */
  Evaluation alongside(LiveShot other) {
    ShotHeader mine = shot.header();
    ShotHeader theirs = other.shot.header();
    if (mine.rate().equals(theirs.rate())) {
      return motion();
    }
    double ratio = mine.rate().framesPerSecond() / theirs.rate().framesPerSecond();
    SampleGrid moments = grid(other.shot).moments(theirs.range().in(), mine.range().in(), ratio);
    return Evaluation.of(shot, moments, null);
  }

  /** The document as it is stored and sent. */
  synchronized byte[] text() {
    ShotText known = text;
    if (known == null) {
      ShotText lending = textLender;
      known = lending == null ? ShotText.of(shot) : lending.next(shot);
      text = known;
      textLender = null;
    }
    return known.octets();
  }

  static SampleGrid grid(Shot shot) {
    return SampleGrid.over(shot.header().range(), shot.header().handles());
  }

  /**
   * Another state of this shot. Motion and text that this one has by now are lent on, for all that
   * is equal in both.
   */
  synchronized LiveShot next(long newRevision, Shot changed) {
    Shot next = changed.reusing(shot);
    return new LiveShot(newRevision, next, ownKeys(next, shot), motion(), text);
  }
}
